import { eq } from 'drizzle-orm';
import type { Database } from '../db/open.ts';
import { facts } from '../db/schema.ts';
import type { Project } from '@fictile/core';
import { ProjectService } from '../services/projects.ts';
import { cutProjects } from './cutProjects.ts';
import { modelProjects } from './modelProjects.ts';
import { sampleProjects } from './sampleProjects.ts';

/** In the order of the rack. */
export const allSamples = (): Project[] => [...sampleProjects(), ...modelProjects(), ...cutProjects()];

const SEEDED = 'sample projects made';

/**
 * Makes the sample projects through the real service, once in a database's life: what a person did since then is never
 * touched.
 */
export async function seed(database: Database): Promise<number> {
  const [done] = await database.tables.select().from(facts).where(eq(facts.name, SEEDED));
  if (done) return 0;
  const service = new ProjectService(database);
  const present = new Set((await service.list()).map((card) => card.id));
  const missing = allSamples().filter((project) => !present.has(project.id));
  // the last one made is the newest and stands first on the rack
  for (const project of missing.reverse()) await service.create(project, `seed-${project.id}`);
  await database.write((tables) => tables.insert(facts).values({ name: SEEDED, value: new Date().toISOString() }));
  return missing.length;
}
