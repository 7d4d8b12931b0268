/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { newPiece, newProject, type MeshReport, type PlaceKind } from '@fictile/core';
import { useState } from 'react';
import { renderInside } from '../testing/render.tsx';
import type { JobClient } from '../worker/index.ts';
import { Checks } from './index.ts';

const GOOD: MeshReport = {
  vertices: 8, faces: 6, triangles: 0, quads: 6, ngons: 0, quadAreaShare: 1, shells: 1, openEdges: 0, closed: true, manifold: true,
  outward: true, crossingFaces: 0, crossingCapped: false, slivers: 0, degenerate: 0, sizeMm: [1, 1, 1],
  edgeMm: { shortest: 1, median: 1, longest: 1 }, volumeMm3: 1,
}; // prettier-ignore

const triangles = new Float32Array(9);
let asked: { kind: string; what?: string }[];

/** A worker that gives this report. */
function clientWith(report: MeshReport | undefined): JobClient {
  asked = [];
  const ask = async (request: { kind: string; what?: string }): Promise<unknown> => {
    asked.push(request);
    if (request.kind === 'places') return { kind: 'placed', pieceId: 'a', triangles };
    return report
      ? { kind: 'checked', pieceId: 'a', report }
      : { kind: 'failed', error: { code: 'FONT_UNKNOWN', params: { name: 'Nobody' } } };
  };
  return { ask } as unknown as JobClient;
}

function Column({ report, depthMm = 18 }: { report: MeshReport | undefined; depthMm?: number }) {
  const [client] = useState(() => clientWith(report));
  const [project] = useState(() => {
    const piece = newPiece('a', 'Kiln', [...'Kiln']);
    piece.body.solid.depthMm = depthMm;
    return newProject('p', 'Kiln', [piece]);
  });
  const [shown, setShown] = useState<PlaceKind>();
  return (
    <Checks
      client={client}
      project={project}
      pieceId="a"
      shown={shown}
      onShow={(what, places) => setShown(places && what)}
    />
  );
}

const row = (label: string): string => screen.getByText(label).parentElement?.textContent ?? '';

test('is quiet when all is well', async () => {
  renderInside(<Column report={GOOD} />);
  expect(screen.getByRole('status').textContent).toBe('checking');
  expect(await screen.findByText('all well')).toBeTruthy();
  expect([row('Closed'), row('Crossing faces')]).toEqual(['Closedyes', 'Crossing facesnone']);
  expect(screen.queryByRole('button')).toBeNull();
});

test('a fault is told with its number, shown and hidden again', async () => {
  renderInside(<Column report={{ ...GOOD, crossingFaces: 1234 }} />);
  expect(await screen.findByText('1,234')).toBeTruthy();
  expect(screen.queryByText('all well')).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'show' }));
  expect(asked.map((a) => a.what ?? a.kind)).toEqual(['check', 'crossing']);
  await userEvent.click(await screen.findByRole('button', { name: 'hide' }));
  expect(await screen.findByRole('button', { name: 'show' })).toBeTruthy();
  expect(asked).toHaveLength(2);
});

test('slivers are told but no fault', async () => {
  renderInside(<Column report={{ ...GOOD, slivers: 7 }} />);
  expect(await screen.findByText('all well')).toBeTruthy();
  expect(row('Slivers')).toBe('Sliversshow7');
});

test('a flat sheet is open on purpose', async () => {
  renderInside(<Column report={{ ...GOOD, closed: false, outward: false }} depthMm={0} />);
  expect(await screen.findByText('all well')).toBeTruthy();
  expect(screen.queryByText('Closed')).toBeNull();
});

test('what could not be checked is never called well', async () => {
  renderInside(<Column report={undefined} />);
  expect(await screen.findByText('The mesh could not be checked.')).toBeTruthy();
});
