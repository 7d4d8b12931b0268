import { newPiece, newProject } from '@fictile/core';
import { api, Refused, Unreachable } from './index.ts';

const project = newProject('a b', 'Kiln', [newPiece('a', 'Kiln', ['K'])]);
const at = '2026-11-25T12:00:00Z';
let asked: { path: string; init?: RequestInit }[];

function answer(status: number, body: unknown): void {
  asked = [];
  globalThis.fetch = (async (path: string, init?: RequestInit) => {
    asked.push({ path, init });
    return { ok: status < 300, status, json: async () => body };
  }) as unknown as typeof fetch;
}

test('a save carries document, base and key, and gives the new revision', async () => {
  answer(200, { revision: 4, updatedAt: at });
  expect(await api.saveProject(project, 3, 'key-12345')).toEqual({
    kind: 'saved',
    saved: { revision: 4, updatedAt: at },
  });
  const [{ path, init }] = asked;
  expect([path, init?.method]).toEqual(['/api/projects/a%20b', 'PUT']);
  expect(init?.headers).toMatchObject({ 'idempotency-key': 'key-12345' });
  expect(JSON.parse(init?.body as string)).toEqual({ project, baseRevision: 3 });
});

test('an old base brings the newer document', async () => {
  const newer = { project, revision: 9, updatedAt: at };
  answer(409, { error: { code: 'REVISION_OLD', params: {} }, newer });
  expect(await api.saveProject(project, 3, 'key-12345')).toEqual({ kind: 'conflict', newer });
});

test.each([
  ['a refusal', 422, Refused],
  ['what is not there', 404, Refused],
  ['a fault of the server', 500, Unreachable],
  ['a gateway without a server', 502, Unreachable],
])('%s (%p)', async (_, status, kind) => {
  answer(status, {});
  await expect(api.readProject('x')).rejects.toBeInstanceOf(kind);
});

test('no network is told apart from a refusal', async () => {
  globalThis.fetch = () => Promise.reject(new TypeError('no network'));
  await expect(api.listProjects()).rejects.toBeInstanceOf(Unreachable);
});

test('an answer of another shape is no answer', async () => {
  answer(200, { projects: [{ id: 7 }] });
  await expect(api.listProjects()).rejects.toThrow();
});
