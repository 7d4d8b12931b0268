import { type Step, heightThatHolds, usualStep } from '../steps/index.ts';
import { quietContext, unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { applyEdit, newPiece, newProject, type Faces, type Project } from '../document/index.ts';
import { boxOfPoints } from '../math/index.ts';
import { splitGraphemes } from '../text/index.ts';
import { testEngine } from '../testing/faces.ts';
import { pieceMesh, type Engine, type Evaluated } from './index.ts';

let engine: Engine;
beforeAll(async () => {
  engine = await testEngine();
});

/** Coarse enough to be quick. */
const COARSE = { toleranceMm: 0.2 };
const bend = (angleDegrees: number): Step => ({ ...usualStep('bend', 'bend'), angleDegrees });
const codes = ({ remarks }: Evaluated): string[] => remarks.map(({ code }) => code);

function project(text: string, steps: Step[], faces: Partial<Faces> = {}): Project {
  const made = newProject('p', 'R', [newPiece('a', text, splitGraphemes(text))]);
  const edits = [
    { kind: 'setSteps', pieceId: 'a', steps },
    { kind: 'setFaces', pieceId: 'a', values: { ...COARSE, ...faces } },
  ] as const;
  return unwrap(applyEdit(made, { kind: 'many', edits }));
}

const evaluate = async (
  text: string,
  steps: Step[],
  { faces, preview }: { faces?: Partial<Faces>; preview?: boolean } = {},
): Promise<Evaluated> => {
  const options = { preview, crossings: true };
  return unwrap(await engine.evaluate(project(text, steps, faces), 'a', quietContext, options));
};

test('plain letters become as fine as a bend needs, along the bend alone', async () => {
  const flat = await evaluate('Hi', []);
  const bent = await evaluate('Hi', [bend(90)]);
  expect(flat.need).toBeUndefined();
  expect(bent.need).toMatchObject({ isAutomatic: true });
  expect(bent.need?.haveMm).toBe(bent.need?.needMm);
  expect(bent.bodyFaces).toBeGreaterThan(1.5 * flat.bodyFaces);
  expect(codes(bent)).toEqual([]);
  expect(checkMesh(pieceMesh(bent))).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
});

test('a size that somebody chose stays, and is told where it is too large', async () => {
  const set = await evaluate('Hi', [bend(90)], { faces: { style: 'grid', sizeMm: 20 } });
  expect(set.need).toMatchObject({ isAutomatic: false, haveMm: 20 });
  expect(codes(set)).toEqual(['NEED_FINER']);
  const fine = await evaluate('Hi', [bend(90)], { faces: { style: 'grid', sizeMm: 5, toleranceMm: 0.5 } });
  expect(codes(fine)).toEqual([]);
});

test('copies run along as one, through a bend that comes after them', async () => {
  const steps: Step[] = [{ ...usualStep('repeat', 'r'), count: 3, gapMm: 10 }, bend(350)];
  const bent = await evaluate('Hi', steps);
  expect(bent.clusters.length).toBe(6);
  expect(codes(bent)).toEqual([]);
  // nearly a whole ring: as deep as it is wide
  const [wide, , deep] = checkMesh(pieceMesh(bent)).sizeMm;
  expect(deep / wide).toBeGreaterThan(0.9);
  expect(checkMesh(pieceMesh(bent))).toMatchObject({ closed: true, outward: true, crossingFaces: 0 });
  const after = await evaluate('Hi', [bend(60), { ...usualStep('repeat', 'r'), count: 2 }]);
  expect(checkMesh(pieceMesh(after)).crossingFaces).toBe(0);
});

test('letters that lie beyond a line that ends are left out and told', async () => {
  const line = { ...usualStep('run', 'l'), path: { kind: 'ring' as const, radiusMm: 50 }, ends: 'stop' as const };
  const short = await evaluate('Hill at the row', [line], { faces: { toleranceMm: 0.5 } });
  expect(short.clusters.length).toBeLessThan(12);
  expect(codes(short)).toContain('LINE_ENDS');
});

test('what folds is told with its limit, and that faces cross', async () => {
  const folded = await evaluate('Hi', [{ ...usualStep('bend', 'bend'), angleDegrees: 900, keeps: 'front' }]);
  expect(codes(folded)).toEqual(expect.arrayContaining(['SHAPE_FOLDS', 'SHAPE_CROSSES']));
  const [{ params }] = folded.remarks.filter(({ code }) => code === 'SHAPE_FOLDS');
  const limit = (params as { limit?: number }).limit ?? 0;
  expect(
    codes(await evaluate('Hi', [{ ...usualStep('bend', 'bend'), angleDegrees: Math.min(limit, 340), keeps: 'front' }])),
  ).toEqual([]);
});

test('steps that make faces anew may stand between: limits still hold in the flat layout', async () => {
  const twist: Step = { ...usualStep('twist', 't'), whole: false, fromMm: -30, toMm: 30, angleDegrees: 10 };
  for (const between of ['subdivide', 'triangles'] as const) {
    const made = await evaluate('Hi', [bend(60), usualStep(between, 'm'), twist]);
    expect(checkMesh(pieceMesh(made))).toMatchObject({ closed: true, outward: true });
    expect(made.stepFaces.length).toBe(3);
    // what was shaped before stays so: the same as without the step between
    const [low, high] = [made, await evaluate('Hi', [bend(60), twist])].map((one) =>
      boxOfPoints(pieceMesh(one).positions),
    );
    for (let k = 0; k < 3; k++) {
      expect(low.low[k]).toBeCloseTo(high.low[k], 1);
      expect(low.high[k]).toBeCloseTo(high.high[k], 1);
    }
  }
});

test('cast anew between shapes: sound, where it was, and shaped on; too many cells are told', async () => {
  const cast: Step = { ...usualStep('recast', 'c'), sizeMm: 4, errorMm: 0.4 };
  const [bent, made, on] = [
    await evaluate('H', [bend(60)]),
    await evaluate('H', [bend(60), cast]),
    await evaluate('H', [bend(60), cast, { ...bend(0), id: 'again' }]),
  ];
  expect(checkMesh(pieceMesh(made))).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
  const [before, after, last] = [bent, made, on].map((one) => boxOfPoints(pieceMesh(one).positions));
  for (let k = 0; k < 3; k++) {
    expect(Math.abs(after.high[k] - before.high[k])).toBeLessThan(2);
    expect(last.high[k]).toBeCloseTo(after.high[k], 6);
  }
  expect(made.remarks).toEqual([]);
  const fine = await evaluate('H', [{ ...cast, sizeMm: 0.01 }]);
  expect(codes(fine)).toEqual(['RECAST_TOO_FINE']);
  const plain = pieceMesh(await evaluate('H', [])).positions;
  expect(pieceMesh(fine).positions).toEqual(plain);
  const coarse = await evaluate('H', [{ ...cast, sizeMm: 500 }]);
  expect(coarse.remarks).toMatchObject([{ code: 'RECAST_VANISHES', params: { letters: 'H' } }]);
  expect(pieceMesh(coarse).positions).toEqual(plain);
});

test('a preview is rough, and leaves no trace in what comes after', async () => {
  const fresh = await testEngine();
  const of = async (angle: number, preview: boolean): Promise<Evaluated> =>
    unwrap(await fresh.evaluate(project('Hi', [bend(angle)]), 'a', quietContext, { preview }));
  await of(20, false);
  const rough = await of(170, true);
  const exact = await of(170, false);
  const alone = await evaluate('Hi', [bend(170)]);
  expect(rough.bodyFaces).toBeLessThan(exact.bodyFaces);
  expect(pieceMesh(exact).positions).toEqual(pieceMesh(alone).positions);
});

describe('unevenness along normals', () => {
  const uneven = (values: Partial<Extract<Step, { kind: 'noise' }>>): Extract<Step, { kind: 'noise' }> => ({
    ...usualStep('noise', 'n'),
    moves: 'outward',
    sizeMm: 12,
    detail: 1,
    ...values,
  });

  test.each([
    ['GA', 'soft', 'plain'],
    ['K', 'creased', 'flow'],
    ['e', 'pebbled', 'grid'],
  ] as const)('%s, %s, on %s faces: up to the stated height nothing crosses', async (text, character, style) => {
    const step = uneven({ character });
    for (const share of [0.3, 1]) {
      const heightMm = share * (heightThatHolds(step) ?? 0);
      const shaped = await evaluate(text, [{ ...step, heightMm }], { faces: { style, toleranceMm: 0.3 } });
      expect(codes(shaped).filter((code) => code.startsWith('SHAPE_'))).toEqual([]);
      const { closed, manifold, crossingFaces } = checkMesh(pieceMesh(shaped));
      expect({ share, closed, manifold, crossingFaces }).toEqual({
        share,
        closed: true,
        manifold: true,
        crossingFaces: 0,
      });
    }
  });

  test('beyond, what crosses is told, and the height that it tells is good', async () => {
    const step = uneven({ character: 'creased', sizeMm: 8, heightMm: 12 });
    const faces = { toleranceMm: 0.5 };
    const shaped = await evaluate('G', [step], { faces });
    expect(checkMesh(pieceMesh(shaped)).crossingFaces).toBeGreaterThan(0);
    const told = shaped.remarks.find((one) => one.code === 'SHAPE_CROSSES');
    expect(told?.params).toMatchObject({ stepId: 'n' });
    const good = await evaluate('G', [{ ...step, heightMm: (told?.params as { limit: number }).limit }], { faces });
    expect(codes(good)).not.toContain('SHAPE_CROSSES');
    expect(checkMesh(pieceMesh(good)).crossingFaces).toBe(0);
  });

  test('letters that stand near each other swell into the gap between them, not into each other', async () => {
    const step = uneven({ heightMm: 2, sizeMm: 30, outwardOnly: true });
    const shaped = await evaluate('HIH', [step]);
    expect(shaped.clusters.length).toBe(3);
    expect(checkMesh(pieceMesh(shaped)).crossingFaces).toBe(0);
  });
});
