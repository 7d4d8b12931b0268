import { quietContext, unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import {
  applyEdit,
  newDrawing,
  newProject,
  usualDrawing,
  usualHollow,
  usualOwn,
  usualShapes,
  usualWire,
  type Contour,
  type Drawing,
  type DrawingShape,
  type OwnLetter,
} from '../document/index.ts';
import { firstCurve, MM_PER_UNIT, readSvg } from '../drawing/index.ts';
import { testEngine } from '../testing/faces.ts';
import { pieceMesh, type Engine, type Evaluated } from './index.ts';

let engine: Engine;
beforeAll(async () => {
  engine = await testEngine();
});

/** A circle under a square under a stroke, in three colours. */
const LOGO = unwrap(
  readSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" width="100mm">
  <circle cx="50" cy="50" r="45" fill="#b45f3c"/><rect x="30" y="30" width="40" height="40" rx="6" fill="#2f2c2b"/>
  <path d="M10 60Q30 40 50 60T90 60" fill="none" stroke="#f7e8c9" stroke-width="6" stroke-linecap="round"/></svg>`),
).shape;

async function built(shape: DrawingShape, values: Partial<Drawing> = {}): Promise<Evaluated> {
  const project = newProject('p', 'p', [newDrawing('a', 'Mark', { ...usualDrawing(shape), ...values })]);
  return unwrap(await engine.evaluate(project, 'a', quietContext));
}
const SOUND = { closed: true, manifold: true, outward: true, crossingFaces: 0, degenerate: 0 };
const report = (evaluated: Evaluated) => checkMesh(pieceMesh(evaluated));

test('colours become parts that stand a hair apart, as wide and deep as they are told', async () => {
  const evaluated = await built(LOGO);
  expect(report(evaluated)).toMatchObject(SOUND);
  expect(report(evaluated).sizeMm.map((v) => Math.round(v * 100) / 100)).toEqual([90, 90, 18]);
  expect(evaluated.letters.map((letter) => letter.text)).toEqual(['#b45f3c', '#2f2c2b', '#f7e8c9']);
  expect(new Set(pieceMesh(evaluated).regions.map((region) => region.letter))).toEqual(new Set([0, 1, 2]));
});

const contours: [string, Contour][] = [
  ['hollow', usualHollow()],
  ['hollow outwards, running into each other', { ...usualHollow(), side: 'outside', wallMm: 4 }],
  ['a wire', usualWire()],
  ['a thick wire', { ...usualWire(), thickMm: 20, sides: 8, ends: 'square' }],
];
test.each(contours)('drawn as %s it is sound', async (_, contour) => {
  expect(report(await built(LOGO, { contour }))).toMatchObject(SOUND);
});

test.each(Object.values(usualShapes()))('a shape drawn here is sound: $kind', async (shape) => {
  for (const contour of [{ kind: 'full' } as const, usualHollow(), usualWire()])
    expect(report(await built(shape, { contour }))).toMatchObject(SOUND);
});

const own = (values: Partial<OwnLetter>): Partial<Drawing> => ({ own: { 2: { ...usualOwn(), ...values } } });

test('a colour has a depth, a place and a size of its own', async () => {
  const { solid } = newDrawing('x', '', usualDrawing(LOGO)).body;
  const deep = await built(LOGO, own({ solid: { depthMm: 40, front: solid.front } }));
  expect([report(deep).sizeMm[2], report(deep).crossingFaces]).toEqual([40, 0]);
  const moved = await built(LOGO, own({ moveMm: [100, 0], scalePercent: 50 }));
  expect(report(moved).sizeMm[0]).toBeGreaterThan(100);
  const out = await built(LOGO, own({ leftOut: true }));
  expect(new Set(pieceMesh(out).regions.map((region) => region.letter))).toEqual(new Set([0, 2]));
});

test('open lines as a wire end round, and as thick as they are told', async () => {
  const { shape } = unwrap(
    readSvg(
      '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" viewBox="0 0 100 100"><path d="M0 0H80" fill="none" ' +
        'stroke="red" stroke-width="2"/></svg>',
    ),
  );
  const wire = { ...usualWire(), thickMm: 6 };
  expect(report(await built(shape, { contour: wire })).sizeMm.map((v) => Math.round(v * 10) / 10)).toEqual([86, 6, 6]);
  const square = await built(shape, { contour: { ...wire, ends: 'square' } });
  expect(report(square).sizeMm.map((v) => Math.round(v * 10) / 10)).toEqual([80, 6, 6]);
});

test('a drawing takes no words, words no shapes', () => {
  const project = newProject('p', 'p', [newDrawing('a', 'Mark', usualDrawing(LOGO))]);
  expect(applyEdit(project, { kind: 'spliceWords', pieceId: 'a', at: 0, remove: 0, insert: ['x'] }).ok).toBe(false);
  expect(applyEdit(project, { kind: 'setWords', pieceId: 'a', values: { sizeMm: 3 } }).ok).toBe(false);
  expect(applyEdit(project, { kind: 'setDrawing', pieceId: 'a', values: { depthAnchor: 'front' } }).ok).toBe(true);
  expect(applyEdit(project, { kind: 'setOwn', pieceId: 'a', ids: [9], values: { leftOut: true } }).ok).toBe(false);
});

test('the first path of a drawing becomes a curve of knots, in its own size', () => {
  const curve = firstCurve({ ...(LOGO as Extract<DrawingShape, { kind: 'paths' }>) }, MM_PER_UNIT);
  expect(curve?.closed).toBe(true);
  const xs = (curve?.knots ?? []).map((knot) => knot.atMm[0]);
  expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(90, 6);
});
