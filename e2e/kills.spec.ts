import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newPiece, newProject, seededRandom, type Project } from '@fictile/core';
import { expect, test } from '@playwright/test';
import { startServer, type RunningServer } from './testing/server.ts';

/** Fifty by hand (KILLS=50 npm run browser -- kills); fewer in a run of all tests. */
const KILLS = Number(process.env.KILLS ?? 8);
const LONGEST_LIFE_MS = 250;

test(`${KILLS} kills of the server under a writer lose no acknowledged revision`, async () => {
  test.setTimeout(30_000 + KILLS * 10_000);
  const data = await mkdtemp(join(tmpdir(), 'fictile-kills-'));
  const random = seededRandom(20_261_125);
  /** the name that each acknowledged revision carries */
  const acknowledged = new Map<number, string>();
  let server = await startServer(data);
  try {
    await send(server, 'POST', '', { body: { project: document('round 0') } });
    acknowledged.set(1, 'round 0');
    for (let round = 1; round <= KILLS; round++) {
      const base = await newestRevision(server);
      const stop = new Promise((resolve) => setTimeout(resolve, random() * LONGEST_LIFE_MS)).then(() => server.kill());
      await writeUntilKilled(server, base, acknowledged);
      await stop;
      server = await startServer(data);
      await compare(server, acknowledged);
    }
    expect(acknowledged.size).toBeGreaterThan(KILLS);
    test.info().annotations.push({ type: 'acknowledged revisions', description: String(acknowledged.size) });
  } finally {
    await server.kill();
    await rm(data, { recursive: true, force: true });
  }
});

const document = (name: string): Project => newProject('killed', name, [newPiece('a', name, [...name])]);

async function writeUntilKilled(server: RunningServer, from: number, acknowledged: Map<number, string>): Promise<void> {
  for (let baseRevision = from; ; baseRevision++) {
    const name = `grown from ${baseRevision}`;
    try {
      const saved = await send(server, 'PUT', '/killed', { body: { project: document(name), baseRevision } });
      acknowledged.set((saved as { revision: number }).revision, name);
    } catch (error) {
      if (!(error instanceof TypeError)) throw error;
      return; // the connection broke: that write was never acknowledged
    }
  }
}

async function newestRevision(server: RunningServer): Promise<number> {
  return ((await send(server, 'GET', '/killed')) as { revision: number }).revision;
}

async function compare(server: RunningServer, acknowledged: ReadonlyMap<number, string>): Promise<void> {
  const latest = Math.max(...acknowledged.keys());
  expect(await newestRevision(server)).toBeGreaterThanOrEqual(latest);
  const { revisions } = (await send(server, 'GET', '/killed/revisions')) as { revisions: { number: number }[] };
  const kept = new Set(revisions.map((r) => r.number));
  expect([...acknowledged.keys()].filter((number) => !kept.has(number))).toEqual([]);
  const stored = (await send(server, 'GET', `/killed/revisions/${latest}`)) as { project: Project };
  expect(stored.project.name).toBe(acknowledged.get(latest));
}

let keys = 0;

async function send(
  server: RunningServer,
  method: string,
  path: string,
  { body }: { body?: unknown } = {},
): Promise<unknown> {
  const answer = await fetch(`${server.address}/api/projects${path}`, {
    method,
    headers: { 'content-type': 'application/json', 'idempotency-key': `kills-key-${++keys}` },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status}`);
  return answer.json();
}
