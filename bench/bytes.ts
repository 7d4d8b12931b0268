import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { Engine, quietContext, scenePart, standAlone, usualWriteOptions, writeScene } from '@fictile/core';
import type { Crew, Evaluated, Kernels, Project, ScenePart } from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { allSamples } from '@fictile/server';
import { seededProjects } from './bytesCases.ts';
import type { Say } from './figures.ts';

const CASES = 200;

/**
 * Hashes of the files of all sample projects and of seeded cases. Where the file of hashes is there, what differs from
 * it is told; else it is written: so two states of the program are compared byte for byte.
 */
export async function benchBytes(kernels: Kernels, path: string, say: Say): Promise<void> {
  const projects = [...allSamples(), ...seededProjects(CASES)];
  const hashes: Record<string, string> = {};
  for (const project of projects) hashes[project.id] = await hashOf(kernels, project);
  if (!existsSync(path)) {
    writeFileSync(path, `${JSON.stringify(hashes, undefined, 1)}\n`);
    say(`hashes of ${projects.length} projects written to ${path}`);
    return;
  }
  const before = JSON.parse(readFileSync(path, 'utf8')) as Record<string, string>;
  const other = Object.keys(hashes).filter((id) => before[id] !== hashes[id]);
  for (const id of other) say(`  ${id}: other bytes`);
  say.put('files with other bytes', other.length, 'projects', { bar: 0, n: projects.length });
  say(`${projects.length} projects, ${other.length} with other bytes than in ${path}`);
}

/** Of a GLB of all that is seen, and of what was told. */
export async function hashOf(kernels: Kernels, project: Project, { crew }: { crew?: Crew } = {}): Promise<string> {
  const engine = engineOf(kernels);
  const hash = createHash('sha256');
  const parts: ScenePart[] = [];
  for (const id of standAlone(project)) {
    const evaluated = await engine.evaluate(project, id, { ...quietContext, crew }, { uv: true, crossings: true });
    hash.update(JSON.stringify(evaluated.ok ? evaluated.value.remarks : evaluated.error));
    if (evaluated.ok) parts.push(partOf(project, evaluated.value));
  }
  const { bytes } = await writeScene(parts, usualWriteOptions('glb', project.name), kernels);
  return hash.update(bytes).digest('hex');
}

const partOf = (project: Project, evaluated: Evaluated): ScenePart =>
  scenePart(project.pieces[evaluated.pieceId], evaluated, project);

const engineOf = (kernels: Kernels): Engine =>
  new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 4e8 });
