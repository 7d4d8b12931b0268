import { BODY_SIDES, type HeldPlace, type OntoStep, middleOfSide, usualStep } from '../steps/index.ts';
import { quietContext, seededRandom, unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import {
  newForm,
  newModel,
  newPiece,
  newProject,
  type FormShape,
  type Piece,
  type Project,
} from '../document/index.ts';
import { cross, dot, middleOfBox, plus, unit, type Box3, type Vec3 } from '../math/index.ts';
import { adviceAt, Target } from '../surface/index.ts';
import { formMesh } from '../form/index.ts';
import { testTools } from '../testing/faces.ts';
import { Engine } from './engine.ts';
import { holdOf, sidePlaceAt } from './holdOf.ts';
import { pieceMesh } from './scenePart.ts';

const BOX: Box3 = { low: [-60, 0, -10], high: [60, 80, 30] };
const at = (side: OntoStep['place']): OntoStep => ({
  ...usualStep('onto', 'o'),
  target: 'body',
  method: 'flat',
  heldBy: 'middle',
  place: side,
});
const on = (side: (typeof BODY_SIDES)[number], values: object = {}): HeldPlace => ({
  ...middleOfSide(side),
  ...values,
});

const engine = new Engine(await testTools());
const words = (steps: Piece['steps'], text = 'IL'): Piece => ({ ...newPiece('words', text, [...text]), steps });
const project = (step: OntoStep, body: Piece): Project => newProject('p', 'Row', [words([step]), body]);
const laidBox = async (one: Project): Promise<Box3> => {
  const { positions } = pieceMesh(unwrap(await engine.evaluate(one, 'words', quietContext)));
  const of = (k: number, pick: (a: number, b: number) => number): number =>
    positions.filter((_, i) => i % 3 === k).reduce((a, b) => pick(a, b));
  return { low: [0, 1, 2].map((k) => of(k, Math.min)) as Vec3, high: [0, 1, 2].map((k) => of(k, Math.max)) as Vec3 };
};
const block = (widthMm: number, heightMm: number, depthMm: number): FormShape => ({
  kind: 'block',
  widthMm,
  heightMm,
  depthMm,
  edge: 'plain',
  edgeMm: 0,
  taperPercent: 0,
});

test.each(BODY_SIDES)(
  'held at its %s: before the middle of that side, upright, and back again from what is pressed there',
  (side) => {
    const hold = holdOf(at(on(side)), BOX);
    const out = hold.toward.map((v) => 0 - v) as Vec3;
    const ahead = dot(plus(hold.from, middleOfBox(BOX), -1), out);
    expect(ahead).toBeGreaterThan(39.9);
    expect(dot(hold.up, out)).toBeCloseTo(0);
    // letters are read from left to right
    const across = cross(hold.up, out);
    const moved = holdOf(at(on(side, { acrossMm: 7, upMm: -3 })), BOX);
    expect(dot(plus(moved.from, hold.from, -1), across)).toBeCloseTo(7);
    expect(dot(plus(moved.from, hold.from, -1), hold.up)).toBeCloseTo(-3);
    expect(sidePlaceAt(moved.from, out, BOX)).toEqual(on(side, { acrossMm: 7, upMm: -3 }));
  },
);

test('so far from a border goes along with it; a place that looks to no side has no name', () => {
  const left = holdOf(at(on('front', { acrossFrom: 'left', acrossMm: 10, upFrom: 'above', upMm: 5 })), BOX);
  expect(left.from).toEqual([-50, 75, 70]);
  const wider = holdOf(at(on('front', { acrossFrom: 'left', acrossMm: 10, upFrom: 'above', upMm: 5 })), {
    ...BOX,
    low: [-100, 0, -10],
  });
  expect(wider.from).toEqual([-90, 75, 70]);
  expect(sidePlaceAt([0, 0, 30], unit([0.1, 0, 1]), BOX)).toBeUndefined();
});

test('words stay in the middle of a front that grows, and of another body', async () => {
  for (const form of [block(300, 120, 24), block(500, 200, 60)]) {
    const { low, high } = await laidBox(project(at(on('front')), newForm('body', 'Slab', form)));
    const [wide, tall, deep] = [form as Extract<FormShape, { kind: 'block' }>].flatMap(
      ({ widthMm, heightMm, depthMm }) => [widthMm, heightMm, depthMm],
    );
    expect((low[0] + high[0]) / 2).toBeCloseTo(0, 6);
    expect((low[1] + high[1]) / 2).toBeCloseTo(tall / 2, 6);
    expect(low[2]).toBeCloseTo(deep / 2, 0);
    expect(wide).toBeGreaterThan(high[0] - low[0]);
  }
});

test('at a place that was pressed words lie on the body again that has grown past it', async () => {
  const pressed: OntoStep = { ...at({ kind: 'pressed' }), fromMm: [20, 60, 52] };
  for (const deep of [24, 200]) {
    const { low, high } = await laidBox(project(pressed, newForm('body', 'Slab', block(300, 120, deep))));
    expect(low[2]).toBeCloseTo(deep / 2, 0);
    expect(high[2]).toBeGreaterThan(deep / 2 + 10);
  }
});

test.each([
  ['capitals', 0],
  ['baseline', 1],
] as const)('held by their %s words do not move when a letter reaches below the line', async (heldBy, isOver) => {
  const slab = newForm('body', 'Slab', block(300, 120, 24));
  const top = async (text: string): Promise<number> => {
    const one = { ...project({ ...at(on('front')), heldBy }, slab) };
    const { high } = await laidBox({
      ...one,
      pieces: { ...one.pieces, words: words([{ ...at(on('front')), heldBy }], text) },
    });
    return high[1];
  };
  const [plain, below] = [await top('I'), await top('Ip')];
  expect(below).toBeCloseTo(plain, 6);
  // capitals are 72 mm tall, the middle of the front is 60 up
  expect(plain).toBeCloseTo(isOver ? 60 + 72 : 60 + 36, 0);
});

describe('how lettering lies best', () => {
  const held = (from: Vec3, toward: Vec3 = [0, 0, -1]) => ({ from, toward, up: [0, 1, 0] as Vec3, turnDegrees: 0 });
  const line: Box3 = { low: [-30, -6, 0], high: [30, 6, 5] };
  const targetOf = (form: FormShape): Target => new Target(formMesh(form, 0.05));

  test('flat on a slab, with the room of its front', () => {
    const advice = adviceAt(targetOf(block(120, 80, 20)), held([0, 40, 300]), line);
    expect(advice).toMatchObject({ method: 'flat', why: 'flat' });
    // of the form of the words: as wide as the front
    expect(advice?.wideMm).toBeCloseTo(120, 3);
    expect(advice?.tallMm).toBeCloseTo(24, 3);
  });

  test('round on what bends, one way or both, with a quarter of it for room', () => {
    const upright = { kind: 'tube', widthMm: 100, depthMm: 100, heightMm: 200, wallMm: 0 } as FormShape;
    const one = adviceAt(targetOf(upright), held([0, 100, 300]), line);
    expect(one).toMatchObject({ method: 'round', why: 'bends' });
    expect(one?.wideMm).toBeGreaterThan(0.9 * (Math.PI / 4) * 100);
    expect(one?.wideMm).toBeLessThan(1.1 * (Math.PI / 4) * 100);
    expect(adviceAt(targetOf({ kind: 'ball', radiusMm: 60 }), held([0, 60, 300]), line)).toMatchObject({
      why: 'bends both ways',
    });
  });

  test('from one direction on what is uneven; nothing where nothing is met', () => {
    const mesh = formMesh({ kind: 'ball', radiusMm: 60 }, 0.05);
    const random = seededRandom(7);
    const rough = { ...mesh, positions: mesh.positions.map((v) => v + 6 * (random() - 0.5)) };
    expect(adviceAt(new Target(rough), held([0, 60, 300]), line)).toMatchObject({ method: 'direction', why: 'uneven' });
    expect(adviceAt(targetOf({ kind: 'ball', radiusMm: 60 }), held([200, 60, 300]), line)).toBeUndefined();
  });
});

describe('a sheet from a file', () => {
  // hollow towards the viewer: a part of a pipe, its axis upright before it
  const columns = 16;
  const places = Array.from({ length: columns + 1 }, (_, i) => {
    const angle = (Math.PI * (i / columns - 0.5)) / 1.5;
    return [100 * Math.sin(angle), 100 - 100 * Math.cos(angle)];
  });
  const rows = [0, 120].flatMap((y) => places.map(([x, z]) => `v ${x} ${y} ${z}`));
  const faces = (isTurned: boolean): string[] =>
    Array.from({ length: columns }, (_, i) => {
      const [a, b] = [i + 1, i + columns + 2];
      return `f ${(isTurned ? [a, b, b + 1, a + 1] : [a, a + 1, b + 1, b]).join(' ')}`;
    });
  const sheet = (isTurned: boolean): Uint8Array => new TextEncoder().encode([...rows, ...faces(isTurned)].join('\n'));
  const loading = async (bytes: Uint8Array): Promise<Engine> =>
    new Engine({ ...(await testTools()), loadModel: () => Promise.resolve(bytes) });
  const model = (sides: 'own' | 'over' | 'outward'): Piece =>
    newModel('body', 'Sheet', {
      asset: 'a'.repeat(64),
      format: 'obj',
      unit: 'mm',
      up: 'y',
      scalePercent: 100,
      closed: false,
      paint: 'finish',
      sides,
    });
  const small: Piece['steps'] = [{ ...at(on('front')), method: 'round' }];
  const scene = (sides: 'own' | 'over'): Project => {
    const one = newProject('p', 'Row', [words(small), model(sides)]);
    const { source } = one.pieces.words;
    return {
      ...one,
      pieces: { ...one.pieces, words: { ...one.pieces.words, source: { ...source, sizeMm: 20 } as Piece['source'] } },
    };
  };
  const facesFront = async (bytes: Uint8Array, sides: 'own' | 'over' | 'outward'): Promise<boolean> => {
    const { positions: p, faceVertices: v } = pieceMesh(
      unwrap(await (await loading(bytes)).evaluate(newProject('p', 'Row', [model(sides)]), 'body', quietContext)),
    );
    const [a, b, c] = [0, 1, 2].map((k) => [0, 1, 2].map((i) => p[3 * v[k] + i]) as Vec3);
    return cross(plus(b, a, -1), plus(c, a, -1))[2] > 0;
  };

  test('faces as it came, or over when it is asked to', async () => {
    expect(await facesFront(sheet(false), 'own')).toBe(true);
    expect(await facesFront(sheet(true), 'own')).toBe(false);
    expect(await facesFront(sheet(true), 'over')).toBe(true);
    // as one did before there were sheets
    expect(await facesFront(sheet(false), 'outward')).toBe(await facesFront(sheet(true), 'outward'));
  });

  test.each([false, true])(
    'takes letters on the side that they look at, whichever way it faces (turned: %s)',
    async (isTurned) => {
      const laid = unwrap(
        await (await loading(sheet(isTurned))).evaluate(scene('own'), 'words', quietContext, { crossings: true }),
      );
      expect(laid.onto?.report).toMatchObject({ beside: 0, sunk: 0, floating: 0 });
      expect(checkMesh(pieceMesh(laid))).toMatchObject({
        closed: true,
        manifold: true,
        outward: true,
        crossingFaces: 0,
      });
      // the deepest of the hollow is at z 0
      const { positions } = pieceMesh(laid);
      expect(Math.max(...positions.filter((_, i) => i % 3 === 2))).toBeGreaterThan(15);
    },
  );
});
