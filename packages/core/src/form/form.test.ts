import { checkMesh } from '../check/index.ts';
import { usualForms, type FormShape } from '../document/index.ts';
import { boxOfPoints, PI } from '../math/index.ts';
import { formMesh } from './index.ts';

const FORMS: FormShape[] = [
  ...Object.values(usualForms()),
  { kind: 'block', widthMm: 100, heightMm: 40, depthMm: 20, edge: 'plain', edgeMm: 3, taperPercent: 0 },
  { kind: 'block', widthMm: 100, heightMm: 40, depthMm: 20, edge: 'chamfer', edgeMm: 50, taperPercent: 60 },
  { kind: 'block', widthMm: 30, heightMm: 30, depthMm: 30, edge: 'round', edgeMm: 15, taperPercent: -50 },
  {
    kind: 'turned',
    wallMm: 0,
    knots: [
      { radiusMm: 30, heightMm: 0, smooth: false },
      { radiusMm: 30, heightMm: 100, smooth: false },
    ],
  },
  {
    kind: 'turned',
    wallMm: 3,
    knots: [
      { radiusMm: 30, heightMm: 0, smooth: false },
      { radiusMm: 30, heightMm: 100, smooth: false },
    ],
  },
  { kind: 'tube', widthMm: 20, depthMm: 90, heightMm: 40, wallMm: 30 },
  { kind: 'tube', widthMm: 200, depthMm: 1, heightMm: 0.1, wallMm: 0 },
  { kind: 'coil', radiusMm: 60, thickMm: 10, riseMm: -50, turns: 2.2 },
  { kind: 'shell', widthMm: 100, heightMm: 100, thickMm: 4, acrossMm: 20, upMm: 20 },
  { kind: 'panel', around: '', marginMm: 0, thickMm: 3, cornerMm: 0 },
];

test.each(FORMS)('$kind is closed, manifold, outward and crosses itself nowhere', (form) => {
  const mesh = formMesh(form, 0.1);
  const report = checkMesh(mesh);
  expect(report).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
  const { low, high } = boxOfPoints(mesh.positions);
  if (!['panel', 'shell', 'coil'].includes(form.kind))
    expect([low[1], low[0] + high[0]]).toEqual([expect.closeTo(0, 1), expect.closeTo(0, 6)]);
});

test('curves are as fine as the tolerance asks', () => {
  const ball = formMesh({ kind: 'ball', radiusMm: 50 }, 0.02);
  for (let i = 0; i < ball.positions.length; i += 3)
    expect(Math.hypot(ball.positions[i], ball.positions[i + 1] - 50, ball.positions[i + 2])).toBeCloseTo(50, 9);
  expect(formMesh({ kind: 'ball', radiusMm: 50 }, 0.5).region.length).toBeLessThan(ball.region.length / 4);
});

test('a tube is as large as asked for, and all its faces but the ends of a full one are quads', () => {
  const tube = checkMesh(formMesh({ kind: 'tube', widthMm: 80, depthMm: 50, heightMm: 30, wallMm: 6 }, 0.01));
  expect(tube.sizeMm.map((v) => Math.round(1e6 * v) / 1e6)).toEqual([80, 30, 50]);
  expect(tube.quads).toBe(tube.faces);
  expect(tube.volumeMm3 / (PI * 30 * (40 * 25 - 34 * 19))).toBeCloseTo(1, 2);
  const full = checkMesh(formMesh({ kind: 'tube', widthMm: 80, depthMm: 50, heightMm: 30, wallMm: 0 }, 0.01));
  expect([full.ngons, full.triangles]).toEqual([2, 0]);
});

test('a panel stands a margin round what it is for, its front where that has its back', () => {
  const box = { low: [-30, -5, 2], high: [50, 20, 9] } as {
    low: [number, number, number];
    high: [number, number, number];
  };
  const panel = formMesh({ kind: 'panel', around: 'words', marginMm: 10, thickMm: 4, cornerMm: 5 }, 0.05, box);
  const { low, high } = boxOfPoints(panel.positions);
  expect([...low, ...high].map((v) => Math.round(1e6 * v) / 1e6)).toEqual([-40, -15, -2, 60, 30, 2]);
});
