/** @jest-environment jsdom */
import { webcrypto } from 'node:crypto';
import { MantineProvider } from '@mantine/core';
import { newModel, newPiece, newProject, usualFrame, type JobRequest, type Piece } from '@fictile/core';
import { renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { Chosen, PieceActions } from '../pieces/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { useModels } from './useModels.tsx';

// jsdom has neither
Object.defineProperty(globalThis, 'crypto', { value: webcrypto });
File.prototype.arrayBuffer ??= () => Promise.resolve(new ArrayBuffer(8));

const jug = newModel('jug', 'Jug', { asset: 'a'.repeat(64), ...usualFrame('glb') });
const title = newPiece('title', 'Title', ['a']);

/** What is asked of the worker for a plain copy, and what comes of it. */
async function copyOf(piece: Piece): Promise<{ format: string; put: unknown[] }> {
  const asked: JobRequest[] = [];
  const put: unknown[] = [];
  const ask = (request: JobRequest) => {
    asked.push(request);
    return Promise.resolve({ kind: 'written', bytes: new Uint8Array(8), mtl: undefined, coarser: [] });
  };
  globalThis.fetch = () => Promise.resolve({ ok: true, status: 200, json: async () => ({}) } as Response);
  const bench = {
    actions: { putInstead: (...given: unknown[]) => put.push(given) } as unknown as PieceActions,
    chosen: { choose: () => {} } as unknown as Chosen,
    client: { ask } as never,
    store: { project: newProject('p', 'Row', [jug, title]) } as ProjectStore,
  };
  const wrapper = ({ children }: { children: ReactNode }) => <MantineProvider>{children}</MantineProvider>;
  const { result } = renderHook(() => useModels(bench), { wrapper });
  result.current.makePlain(piece);
  await waitFor(() => expect(put.length).toBe(1));
  const [request] = asked;
  return { format: request.kind === 'write' ? request.options.format : '', put };
}

test('a plain copy keeps a model’s own pictures, which only a GLB holds; all else keeps its polygons', async () => {
  const kept = await copyOf(jug);
  expect(kept.format).toBe('glb');
  expect(kept.put).toEqual([[expect.objectContaining({ format: 'glb', unit: 'm', paint: 'own' }), jug]]);
  expect((await copyOf({ ...jug, source: { ...jug.source, paint: 'finish' } })).format).toBe('obj');
  expect((await copyOf(title)).format).toBe('obj');
});
