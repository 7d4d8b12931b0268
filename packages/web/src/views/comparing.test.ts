/** @jest-environment jsdom */
import { newPiece, newProject, usualStep } from '@fictile/core';
import { ProjectStore } from '../store/index.ts';
import type { CameraHandle, Pose } from '../viewport/index.ts';
import { CameraLink } from './cameraLink.ts';
import { comparedProject } from './comparing.ts';
import { FEWER, FLOW, RAISED, TRIANGLES } from '../checks/cures.ts';

const made = (): ProjectStore =>
  new ProjectStore({
    project: newProject('p', 'Kiln', [newPiece('a', 'Kiln', ['K'])]),
    revision: 1,
    updatedAt: '2026-11-26T12:00:00Z',
  });
const lead = (store: ProjectStore) => store.project.pieces.a;

describe('states to compare with', () => {
  test('the state held stays as it was while work goes on', () => {
    const store = made();
    const held = comparedProject('hold', store, lead(store));
    store.edit({ kind: 'setSolid', pieceId: 'a', values: { depthMm: 9 } });
    expect(held?.pieces.a.body.solid.depthMm).toBe(18);
    store.stop();
  });

  test('before the last change, without steps, with plain faces; none where there is nothing else', () => {
    const store = made();
    for (const state of ['before', 'bare', 'plain'] as const)
      expect(comparedProject(state, store, lead(store))).toBeUndefined();
    store.edit({ kind: 'setFaces', pieceId: 'a', values: { style: 'flow' } });
    store.edit({ kind: 'setSteps', pieceId: 'a', steps: [usualStep('subdivide', 's')] });
    expect(comparedProject('before', store, lead(store))?.pieces.a).toMatchObject({
      steps: [],
      body: { faces: { style: 'flow' } },
    });
    expect(comparedProject('bare', store, lead(store))?.pieces.a.steps).toEqual([]);
    expect(comparedProject('plain', store, lead(store))?.pieces.a.body.faces.style).toBe('plain');
    store.stop();
  });
});

describe('two cameras', () => {
  const camera = (): CameraHandle & { now: Pose } => {
    const handle = {
      now: { from: [0, 0, 10], to: [0, 0, 0] } as Pose,
      pose: () => handle.now,
      change: (move: (pose: Pose) => Pose) => {
        handle.now = move(handle.now);
        handle.onMove?.(handle.now);
      },
      onMove: undefined as CameraHandle['onMove'],
    };
    return handle;
  };

  test('follow each other, and stop when one is gone', () => {
    const link = new CameraLink();
    const [one, other] = [camera(), camera()];
    one.now = { from: [1, 2, 3], to: [0, 0, 0] };
    link.first(one);
    link.second(other);
    expect(other.now).toEqual(one.now);
    other.change((pose) => ({ ...pose, from: [9, 9, 9] }));
    expect(one.now.from).toEqual([9, 9, 9]);
    link.second(undefined);
    one.change((pose) => ({ ...pose, from: [4, 4, 4] }));
    expect(other.now.from).toEqual([9, 9, 9]);
  });
});

test('cures are edits of the piece', () => {
  const piece = newPiece('a', 'Kiln', ['K']);
  expect(FLOW.edit(piece, 'f')).toMatchObject({ kind: 'setFaces', values: { style: 'flow' } });
  expect(RAISED.edit(piece, 'f')).toMatchObject({ kind: 'setSolid', values: { depthMm: 18 } });
  expect(TRIANGLES.edit({ ...piece, steps: [usualStep('clear', 'c')] }, 'f')).toMatchObject({
    kind: 'setSteps',
    steps: [{ kind: 'clear' }, { kind: 'triangles' }],
  });
  expect(FEWER.edit(piece, 'f')).toMatchObject({ steps: [{ kind: 'reduce' }] });
});
