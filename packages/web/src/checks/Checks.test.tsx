/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { type Edit, newPiece, newProject, remark, type MeshReport, type Remark, type ShownPiece } from '@fictile/core';
import { useState } from 'react';
import { renderInside } from '../testing/render.tsx';
import { remarkText } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';
import { Checks, type Painted } from './index.ts';

const GOOD: MeshReport = {
  vertices: 8,
  faces: 6,
  triangles: 0,
  quads: 6,
  ngons: 0,
  quadAreaShare: 1,
  shells: 1,
  openEdges: 0,
  closed: true,
  manifold: true,
  outward: true,
  crossingFaces: 0,
  crossingCapped: false,
  slivers: 0,
  longFaces: 0,
  degenerate: 0,
  sizeMm: [1, 1, 1],
  edgeMm: { shortest: 1, median: 1, longest: 1 },
  volumeMm3: 1,
  figures: {
    poles: 0,
    inner: 10,
    bent: 0,
    lengths: { marks: [1, 2], counts: [12] },
    corners: { marks: [0, 180], counts: [24] },
  },
};

const triangles = new Float32Array(9);
let cured: string[] = [];
let crossing: Remark[] = [];
let asked: { kind: string; what?: string }[];

/** A worker that gives this report. */
function clientWith(report: MeshReport | undefined): JobClient {
  asked = [];
  const ask = async (request: { kind: string; what?: string }): Promise<unknown> => {
    asked.push(request);
    if (request.kind === 'places') return { kind: 'placed', pieceId: 'a', triangles };
    return report
      ? { kind: 'checked', pieceId: 'a', report, crossing }
      : { kind: 'failed', error: { code: 'FONT_UNKNOWN', params: { name: 'Nobody' } } };
  };
  return { ask } as unknown as JobClient;
}

function Column({
  report,
  depthMm = 18,
  remarks = [],
}: {
  report: MeshReport | undefined;
  depthMm?: number;
  remarks?: Remark[];
}) {
  const [client] = useState(() => clientWith(report));
  const [project] = useState(() => {
    const piece = newPiece('a', 'Kiln', [...'Kiln']);
    piece.body.solid.depthMm = depthMm;
    return newProject('p', 'Kiln', [piece]);
  });
  const [shown, setShown] = useState<Painted>();
  return (
    <Checks
      client={client}
      project={project}
      pieceId="a"
      shownPiece={{ remarks } as unknown as ShownPiece}
      shown={shown}
      onShow={(what, places) => setShown(places && what)}
      onCure={(_, cure) => cured.push(cure.id)}
      onEdits={(edits) => cured.push(...edits.map((edit) => JSON.stringify(edit)))}
    />
  );
}

const row = (label: string): string => screen.getByText(label).parentElement?.textContent ?? '';

test('is quiet when all is well', async () => {
  renderInside(<Column report={GOOD} />);
  expect(screen.getByRole('status').textContent).toBe('checking');
  expect(await screen.findByText('all well')).toBeTruthy();
  expect([row('Closed'), row('Crossing faces')]).toEqual(['Closedyes', 'Crossing facesnone']);
  expect(screen.queryByRole('button', { name: 'show' })).toBeNull();
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
  renderInside(<Column report={{ ...GOOD, quads: 600, faces: 600, slivers: 7 }} />);
  expect(await screen.findByText('all well')).toBeTruthy();
  expect(row('Slivers')).toBe('Sliversshow7');
});

test.each<Remark>([
  { code: 'CUT_LEFT_OUT', params: { stepId: 's', why: 'crossed' } },
  { code: 'CUT_APART', params: { stepId: 's', letters: 'K', all: true } },
])('a sound mesh from which a step was left out is not well: $code', async (remark) => {
  renderInside(<Column report={GOOD} remarks={[remark]} />);
  expect(await screen.findByText('a step is left out')).toBeTruthy();
  expect(screen.queryByText('all well')).toBeNull();
  expect(screen.getByText(remarkText(remark))).toBeTruthy();
});

test('a flat sheet is open on purpose', async () => {
  localStorage.setItem('fictile aim', JSON.stringify('render'));
  renderInside(<Column report={{ ...GOOD, closed: false, outward: false }} depthMm={0} />);
  expect(await screen.findByText('all well')).toBeTruthy();
  expect(screen.queryByText('Closed')).toBeNull();
});

test('letters whose faces cross after the shape steps are named', async () => {
  crossing = [{ code: 'SHAPE_CROSSES', params: { letters: 'K l' } }];
  renderInside(<Column report={{ ...GOOD, crossingFaces: 2 }} />);
  expect(await screen.findByText(/K l/)).toBeTruthy();
  crossing = [];
});

test('what could not be checked is never called well', async () => {
  renderInside(<Column report={undefined} />);
  expect(await screen.findByText('The mesh could not be checked.')).toBeTruthy();
});

afterEach(() => localStorage.clear());

describe('what the mesh is meant for decides what matters', () => {
  const meantFor = async (aim: string): Promise<void> => {
    await userEvent.click(await screen.findByRole('button', { name: /^Meant for/ }));
    await userEvent.click(await screen.findByRole('menuitem', { name: aim }));
  };
  const triangles = { ...GOOD, quads: 0, triangles: 12, faces: 12, quadAreaShare: 0 };

  test('animation minds triangles, and one press brings flowing quads', async () => {
    cured = [];
    renderInside(<Column report={triangles} />);
    expect(await screen.findByText('all well')).toBeTruthy();
    await meantFor('animation');
    expect(await screen.findByText('some to mind')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Use flowing quads' }));
    expect(cured).toEqual(['flow']);
  });

  test('a game counts triangles', async () => {
    renderInside(<Column report={{ ...GOOD, quads: 40_000, faces: 40_000 }} />);
    await meantFor('a game');
    await screen.findByText('Triangles');
    expect(row('Triangles')).toBe('Triangles80,000Reduce to half');
  });

  test('a printer can do nothing with a sheet', async () => {
    renderInside(<Column report={{ ...GOOD, closed: false, outward: false }} depthMm={0} />);
    await meantFor('printing');
    await screen.findByText('Closed');
    expect(row('Closed')).toBe('ClosednoRaise 18 mm');
    expect(screen.getByText('some to mind')).toBeTruthy();
  });

  test('the choice is kept in the browser', async () => {
    const { unmount } = renderInside(<Column report={GOOD} />);
    await meantFor('printing');
    unmount();
    renderInside(<Column report={GOOD} />);
    expect(await screen.findByRole('button', { name: 'Meant for: printing' })).toBeTruthy();
  });
});

test('a piece that runs into another gets room with one press', async () => {
  cured = [];
  crossing = [remark('PIECES_CROSS', { name: 'Kiln', other: 'Logo', otherId: 'b', acrossMm: 0, upMm: 12.5 })];
  renderInside(<Column report={GOOD} />);
  expect(await screen.findByText(/It runs into “Logo”/)).toBeTruthy();
  expect(screen.getByRole('status').textContent).toBe('some to mind');
  await userEvent.click(screen.getByRole('button', { name: 'Make room' }));
  expect(cured.map((text) => JSON.parse(text) as Edit)).toEqual([
    { kind: 'setPlacement', pieceId: 'a', values: { atMm: [0, 12.5, 0] } },
  ]);
});
