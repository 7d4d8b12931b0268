import { type CutStep, type OntoStep, usualStep } from '../steps/index.ts';
import { quietContext, unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import {
  applyEdit,
  newForm,
  newGroup,
  newPiece,
  newProject,
  standAlone,
  usualForms,
  usualSlots,
  type Edit,
  type Finish,
  type FormShape,
  type Group,
  type Project,
} from '../document/index.ts';
import { formMesh } from '../form/index.ts';
import { readGlb, usualWriteOptions, writeScene } from '../io/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { Target } from '../surface/index.ts';
import { testEngine } from '../testing/faces.ts';
import { splitGraphemes } from '../text/index.ts';
import { display, pieceMesh, scenePart, type Engine, type Evaluated } from './index.ts';

let engine: Engine;
beforeAll(async () => {
  engine = await testEngine();
});

const TOLERANCE_MM = 0.2;
const { jug, ball } = usualForms();
const SLAB: FormShape = {
  kind: 'block',
  widthMm: 80,
  heightMm: 40,
  depthMm: 10,
  edge: 'plain',
  edgeMm: 0,
  taperPercent: 0,
};
const onto = (values: Partial<OntoStep>): OntoStep => ({ ...usualStep('onto', 'onto'), target: 'body', ...values });
const FLAT = onto({ method: 'flat', fromMm: [0, 20, 60] });
const ROUND = onto({ fromMm: [0, 100, 300] });

function projectOf(
  text: string,
  form: FormShape,
  lies: OntoStep | undefined,
  { cut, more = [] }: { cut: Partial<CutStep>; more?: Edit[] },
): Project {
  const made = newProject('p', 'R', [newPiece('words', text, splitGraphemes(text)), newForm('body', 'Body', form)]);
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: 'words', values: { sizeMm: 16, anchor: 'middle' } },
    {
      kind: 'setSolid',
      pieceId: 'words',
      values: { depthMm: 3, front: { kind: 'round', inMm: 0.4, deepMm: 0.4, steps: 2, points: [] } },
    },
    { kind: 'setFaces', pieceId: 'words', values: { toleranceMm: TOLERANCE_MM } },
    { kind: 'setFaces', pieceId: 'body', values: { toleranceMm: TOLERANCE_MM } },
    { kind: 'setSteps', pieceId: 'words', steps: lies ? [lies] : [] },
    { kind: 'setSteps', pieceId: 'body', steps: [{ ...usualStep('cut', 'cut'), target: 'words', ...cut }] },
    ...more,
  ];
  return unwrap(applyEdit(made, { kind: 'many', edits }));
}

const evaluate = async (project: Project, id = 'body'): Promise<Evaluated> =>
  unwrap(await engine.evaluate(project, id, quietContext, { crossings: true }));
const codes = ({ remarks }: Evaluated): string[] => remarks.map(({ code }) => code);
const SOUND = { closed: true, manifold: true, outward: true, crossingFaces: 0, degenerate: 0 };
const volume = (evaluated: Evaluated): number => checkMesh(pieceMesh(evaluated)).volumeMm3;
const parts = (evaluated: Evaluated): Set<string> => {
  const { regions, region } = pieceMesh(evaluated);
  return new Set([...region].map((row) => regions[row].part));
};

test('engraved flat: as deep as it is said, and the floor is as large as the words’ front', async () => {
  const plain = await evaluate(projectOf('LI', SLAB, FLAT, { cut: { sinkMm: 2 } }));
  expect(checkMesh(pieceMesh(plain))).toMatchObject({ ...SOUND, shells: 1, sizeMm: [80, 40, 10] });
  expect(codes(plain)).toEqual([]);
  expect([...parts(plain)].sort()).toEqual(['body', 'floor', 'foot', 'recess']);
  const floors = pieceMesh(plain);
  const low = floors.positions.filter((_, i) => i % 3 === 2).filter((z) => z < 4.9 && z > -4.9);
  expect(Math.min(...low)).toBeCloseTo(3, 4);
  // the walls stand where the outline has them, so sinking deeper takes the outline's area with every millimetre
  const [two, four] = [plain, await evaluate(projectOf('LI', SLAB, FLAT, { cut: { sinkMm: 4 } }))].map(
    (one) => 80 * 40 * 10 - volume(one),
  );
  const through = await evaluate(projectOf('LI', SLAB, FLAT, { cut: { operation: 'through' } }));
  expect(four - two).toBeCloseTo((2 * (80 * 40 * 10 - volume(through))) / 10, 3);
});

test.each([-1e-9, 0, 1e-6])('letters that end flush with a border, or beside it by %s, are cut', async (share) => {
  const words = { sizeMm: 20 * (1 + share), anchor: 'baseline' } as const;
  const more: Edit[] = [{ kind: 'setWords', pieceId: 'words', values: words }];
  for (const operation of ['through', 'engrave', 'raise'] as const) {
    const cut = await evaluate(projectOf('KIN', SLAB, FLAT, { cut: { operation, sinkMm: 2 }, more }));
    expect(checkMesh(pieceMesh(cut))).toMatchObject(SOUND);
    expect(codes(cut)).not.toContain('CUT_LEFT_OUT');
  }
});

test.each([0.1, 0.6, 2, 8])('a rim of %s mm on any letters: valid, and wider than drawn or not', async (softMm) => {
  for (const softSide of ['outward', 'inward'] as const) {
    const soft = await evaluate(
      projectOf('Row', SLAB, { ...FLAT, turnDegrees: 63 }, { cut: { sinkMm: 2, softMm, softSide, softSteps: 3 } }),
    );
    expect(checkMesh(pieceMesh(soft))).toMatchObject(SOUND);
    // one that is far deeper than the recess leaves nothing of it
    const told = softMm === 8 && softSide === 'inward' ? ['CUT_RIM_NARROWED'] : [];
    expect(codes(soft).filter((code) => !['CUT_LOOSE', 'CUT_RIM_CLIPPED'].includes(code))).toEqual(told);
  }
});

test('words that are sunk or lifted move the floor; the mouth stays in the surface', async () => {
  const takes = async (liftMm: number): Promise<number> => {
    const done = await evaluate(projectOf('LI', SLAB, { ...FLAT, liftMm }, { cut: { sinkMm: 2 } }));
    expect(codes(done)).toEqual([]);
    expect(checkMesh(pieceMesh(done))).toMatchObject({ ...SOUND, shells: 1 });
    return 80 * 40 * 10 - volume(done);
  };
  const [deeper, plain, flatter] = [await takes(-1.5), await takes(0), await takes(0.5)];
  expect(deeper - plain).toBeCloseTo(3 * (plain - flatter), 2);
  expect(plain).toBeGreaterThan(flatter);
});

test.each<[string, FormShape, OntoStep, Partial<CutStep>]>([
  ['engraved round a jug', jug, ROUND, { sinkMm: 1.5, softMm: 0.5 }],
  ['raised on a jug', jug, ROUND, { operation: 'raise', softMm: 0.4, leanPercent: 10 }],
  ['engraved on a ball', ball, onto({ fromMm: [0, 80, 300], turnDegrees: 20 }), { sinkMm: 1.5 }],
  ['cut through a jug', jug, ROUND, { operation: 'through', loose: 'drop' }],
  ['drawn into a ball', ball, onto({ fromMm: [0, 80, 300] }), { operation: 'imprint' }],
])('%s: closed, nothing crosses', async (_, form, lies, cut) => {
  const done = await evaluate(projectOf('R8', form, lies, { cut }));
  expect(codes(done).filter((code) => code !== 'CUT_LOOSE')).toEqual([]);
  expect(checkMesh(pieceMesh(done))).toMatchObject({ ...SOUND, shells: 1 });
});

test('an imprint raised over the rim of a slab stands as high on its side as on its front', async () => {
  const done = await evaluate(
    projectOf('I', SLAB, onto({ method: 'flat', fromMm: [0, 38, 60] }), { cut: { operation: 'imprint', raiseMm: 2 } }),
  );
  expect(codes(done)).toEqual([]);
  const report = checkMesh(pieceMesh(done));
  expect(report).toMatchObject({ ...SOUND, shells: 1 });
  expect(report.sizeMm[1]).toBeCloseTo(42, 6);
  expect(report.sizeMm[2]).toBeCloseTo(12, 6);
});

test('an imprint raised with more lean than its letters have room for is built with what works, and told', async () => {
  const done = await evaluate(
    projectOf('glaze', SLAB, onto({ method: 'flat', fromMm: [0, 36, 60] }), {
      cut: {
        operation: 'imprint',
        raiseMm: 3,
        leanPercent: 40,
      },
    }),
  );
  expect(done.remarks).toEqual([
    expect.objectContaining({ code: 'CUT_RAISED_LESS', params: expect.objectContaining({ askedMm: 3, takenMm: 3 }) }),
  ]);
  expect(checkMesh(pieceMesh(done))).toMatchObject(SOUND);
});

test('strokes with no room for a floor between their rims are cut as grooves', async () => {
  const cut = { sinkMm: 3, softMm: 1.5, softSide: 'inward' } as const;
  const done = await evaluate(projectOf('R8', ball, onto({ fromMm: [0, 80, 300] }), { cut }));
  expect(codes(done)).toEqual([]);
  expect(checkMesh(pieceMesh(done))).toMatchObject({ ...SOUND, shells: 1 });
  expect(parts(done)).toContain('lip');
  expect(parts(done)).not.toContain('floor');
});

test('a rim inward that is deeper than the recess is built as wide as leaves one, and told', async () => {
  const cut = { sinkMm: 1, softMm: 4, softSide: 'inward' } as const;
  const done = await evaluate(projectOf('R8', ball, onto({ fromMm: [0, 80, 300] }), { cut }));
  expect(codes(done)).toEqual(['CUT_RIM_NARROWED']);
  expect(checkMesh(pieceMesh(done))).toMatchObject({ ...SOUND, shells: 1 });
});

test('the floor of a recess on a curved body lies as deep everywhere', async () => {
  const done = await evaluate(projectOf('I', ball, onto({ fromMm: [0, 80, 300] }), { cut: { sinkMm: 1.5 } }));
  const target = new Target(formMesh(ball, TOLERANCE_MM));
  const mesh = pieceMesh(done);
  const floor = new Set<number>();
  for (let f = 0; f + 1 < mesh.faceStart.length; f++)
    if (mesh.regions[mesh.region[f]].part === 'floor')
      for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) floor.add(mesh.faceVertices[c]);
  const depths = [...floor].map((v) =>
    target.heightOf([mesh.positions[3 * v], mesh.positions[3 * v + 1], mesh.positions[3 * v + 2]]),
  );
  expect(depths.length).toBeGreaterThan(10);
  expect(Math.max(...depths.map((deep) => Math.abs(deep + 1.5)))).toBeLessThan(0.01);
});

test('words stay live: retyped, or the body exchanged, the cut follows; off, the body is whole', async () => {
  const first = await evaluate(projectOf('Row', jug, ROUND, { cut: {} }));
  const retyped = await evaluate(projectOf('Rows', jug, ROUND, { cut: {} }));
  const other = await evaluate(projectOf('Row', ball, onto({ fromMm: [0, 80, 300] }), { cut: {} }));
  for (const one of [first, retyped, other]) expect(checkMesh(pieceMesh(one))).toMatchObject(SOUND);
  expect(volume(retyped)).toBeLessThan(volume(first));
  const off = await evaluate(projectOf('Row', jug, ROUND, { cut: { on: false } }));
  expect(pieceMesh(off).positions).toEqual(formMesh(jug, TOLERANCE_MM).positions);
});

test.each([0, 0.6])(
  'cut through with a ring of %s mm beside it and then bent: closed, nothing crosses',
  async (ringMm) => {
    const bend: Edit = {
      kind: 'setSteps',
      pieceId: 'body',
      steps: [
        { ...usualStep('cut', 'cut'), target: 'words', operation: 'through', loose: 'drop', ringMm },
        { ...usualStep('bend', 'bend'), angleDegrees: 120 },
      ],
    };
    const done = await evaluate(projectOf('Row', SLAB, FLAT, { cut: {}, more: [bend] }));
    const report = checkMesh(pieceMesh(done));
    expect(report).toMatchObject({ ...SOUND, shells: 1 });
    expect(codes(done)).not.toContain('SHAPE_COARSE');
    expect(report.sizeMm[2]).toBeGreaterThan(20);
    expect(sagOf(pieceMesh(done), (80 * 180) / (120 * Math.PI))).toBeLessThan(TOLERANCE_MM);
  },
);

/**
 * Farthest that the middle of an edge lies inside the circle that its ends are bent onto, mm; the axis is upright,
 * behind the middle of the slab.
 */
function sagOf({ positions: p, faceStart, faceVertices }: PolygonMesh, radiusMm: number): number {
  const from = (x: number, z: number): number => Math.hypot(x, z + radiusMm);
  let most = 0;
  for (let f = 0; f + 1 < faceStart.length; f++)
    for (let c = faceStart[f]; c < faceStart[f + 1]; c++) {
      const [a, b] = [faceVertices[c], faceVertices[c + 1 < faceStart[f + 1] ? c + 1 : faceStart[f]]].map((v) => [
        p[3 * v],
        p[3 * v + 2],
      ]);
      // the slab is ten thick: nothing lies farther from the layer that keeps its length
      expect(Math.abs(from(a[0], a[1]) - radiusMm)).toBeLessThan(5 + 1e-6);
      most = Math.max(most, (from(a[0], a[1]) + from(b[0], b[1])) / 2 - from((a[0] + b[0]) / 2, (a[1] + b[1]) / 2));
    }
  return most;
}

test('cut through over the rim of a ball, with lips: they follow the surface, as deep everywhere', async () => {
  const cut = { operation: 'through', softMm: 1, loose: 'drop' } as const;
  const done = await evaluate(projectOf('L', ball, onto({ fromMm: [60, 80, 300] }), { cut }));
  const mesh = pieceMesh(done);
  expect(codes(done).filter((code) => code !== 'CUT_LOOSE')).toEqual([]);
  expect(checkMesh(mesh)).toMatchObject({ ...SOUND, shells: 1 });
  const target = new Target(formMesh(ball, TOLERANCE_MM));
  const lip = new Set<number>();
  for (let f = 0; f + 1 < mesh.faceStart.length; f++)
    if (mesh.regions[mesh.region[f]].part === 'lip')
      for (let c = mesh.faceStart[f]; c < mesh.faceStart[f + 1]; c++) lip.add(mesh.faceVertices[c]);
  expect(lip.size).toBeGreaterThan(50);
  // as deep under the surface everywhere as the hair that it stands out over it (four tolerances) and the rounding to
  // 60 degrees ask for
  const deep = [...lip].map((v) =>
    target.heightOf([mesh.positions[3 * v], mesh.positions[3 * v + 1], mesh.positions[3 * v + 2]]),
  );
  expect(Math.min(...deep)).toBeGreaterThan(-(4 * TOLERANCE_MM + Math.sin(Math.PI / 3) + 0.1));
});

test('several pieces cut one, each laid as if the others had not', async () => {
  const second = newPiece('more', 'OX', splitGraphemes('OX'));
  const two = [
    { ...usualStep('cut', 'cut'), target: 'words' },
    { ...usualStep('cut', 'again'), target: 'more', sinkMm: 4 },
  ];
  const project = projectOf('LI', SLAB, FLAT, {
    cut: {},
    more: [
      { kind: 'addPiece', piece: second },
      { kind: 'setWords', pieceId: 'more', values: { sizeMm: 16, anchor: 'middle' } },
      { kind: 'setSteps', pieceId: 'more', steps: [{ ...FLAT, turnDegrees: 90 }] },
      { kind: 'setSteps', pieceId: 'body', steps: two },
    ],
  });
  const done = await evaluate(project);
  expect(checkMesh(pieceMesh(done))).toMatchObject(SOUND);
  expect(standAlone(project)).toEqual(['body']);
  // words are found where they lie, on the body before it is cut
  expect(unwrap(await engine.evaluate(project, 'more', quietContext)).onto?.targetId).toBe('body');
});

test('what a letter with a finish of its own has cut looks as that letter does', async () => {
  const gold: Finish = { ...usualSlots().front, name: 'kiln gold', colour: '#c9a227', metal: 90 };
  const own: Edit = { kind: 'setOwn', pieceId: 'words', ids: [2], values: { finish: gold } };
  const project = projectOf('LI', SLAB, FLAT, { cut: {}, more: [own] });
  const done = await evaluate(project);
  const { regions, region } = pieceMesh(done);
  const cutBy = new Set([...region].map((r) => regions[r].ofLetter));
  expect(cutBy).toEqual(new Set([undefined, 1, 2]));
  const { bytes } = await writeScene([scenePart(project.pieces.body, done, project)], usualWriteOptions('glb', 'R'));
  const names = unwrap(await readGlb(bytes)).materials;
  expect(names).toContain('kiln gold');
  // the other letter keeps what its piece has
  expect(names.length).toBeGreaterThan(2);
  const { groups } = display(pieceMesh(done), { letters: new Set(), cutters: new Set(['words 2']) });
  expect(new Set(groups.map(({ ofLetter }) => ofLetter))).toEqual(new Set([undefined, 2]));
});

test('a form is taken out of another where both stand in the scene', async () => {
  const place = (pieceId: string, atMm: [number, number, number]): Edit => ({
    kind: 'setPlacement',
    pieceId,
    values: { atMm },
  });
  const made = newProject('p', 'R', [
    newForm('body', 'Slab', SLAB),
    newForm('tool', 'Ball', { kind: 'ball', radiusMm: 8 }),
  ]);
  const edits: Edit[] = [
    place('body', [100, 0, 0]),
    place('tool', [100, 12, 5]),
    {
      kind: 'setSteps',
      pieceId: 'body',
      steps: [{ ...usualStep('cut', 'cut'), target: 'tool', operation: 'subtract' }],
    },
  ];
  const project = unwrap(applyEdit(made, { kind: 'many', edits }));
  const done = await evaluate(project);
  expect(checkMesh(pieceMesh(done))).toMatchObject(SOUND);
  // half of a ball, but for chords
  expect((80 * 40 * 10 - volume(done)) / ((2 / 3) * Math.PI * 512)).toBeCloseTo(1, 1);
  const part = scenePart(project.pieces.body, done, project);
  expect(part.others).toEqual({ tool: { slots: project.pieces.tool.slots, letters: {} } });
});

test('what can not be cut is told, and the body stays whole', async () => {
  const whole = formMesh(SLAB, TOLERANCE_MM).positions;
  const nobody = await evaluate(projectOf('Row', SLAB, FLAT, { cut: { target: 'nobody' } }));
  expect(codes(nobody)).toEqual(['CUT_NOTHING']);
  const itself = await evaluate(projectOf('Row', SLAB, FLAT, { cut: { target: 'body' } }));
  expect(codes(itself)).toEqual(['CUT_NOTHING']);
  const sheet: Edit = { kind: 'setSolid', pieceId: 'words', values: { depthMm: 0 } };
  const flat = await evaluate(projectOf('Row', SLAB, FLAT, { cut: { operation: 'join' }, more: [sheet] }));
  expect(flat.remarks).toMatchObject([{ code: 'CUT_LEFT_OUT', params: { why: 'cutter' } }]);
  for (const one of [nobody, itself, flat]) expect(pieceMesh(one).positions).toEqual(whole);
  const beside = await evaluate(projectOf('Row', SLAB, { ...FLAT, fromMm: [0, 400, 60] }, { cut: {} }));
  expect(beside.remarks).toMatchObject([{ code: 'CUT_APART', params: { all: true } }]);
});

test('a panel is cut by the words that it is made round, and grows with them', async () => {
  const panel = { ...usualForms().panel, around: 'words' } as FormShape;
  // the words' own zero, where they lie on their line
  const lies = onto({ method: 'flat', fromMm: [0, 0, 60] });
  const [short, long] = await Promise.all(
    ['Row', 'Rows'].map((text) => evaluate(projectOf(text, panel, lies, { cut: { sinkMm: 2 } }))),
  );
  for (const done of [short, long]) {
    expect(codes(done)).toEqual([]);
    expect(checkMesh(pieceMesh(done))).toMatchObject({ ...SOUND, shells: 1 });
    expect(parts(done)).toContain('floor');
  }
  const [narrow, wide] = [short, long].map((one) => checkMesh(pieceMesh(one)).sizeMm[0]);
  expect(wide).toBeGreaterThan(narrow + 5);
  // where the words are on their own it is as wide as they are, and its margins
  const words = await evaluate(projectOf('Row', panel, undefined, { cut: { on: false } }), 'words');
  expect(narrow).toBeCloseTo(checkMesh(pieceMesh(words)).sizeMm[0] + 36, 6);
});

test('two panels made round each other are a circle, and told', async () => {
  const round = (around: string): FormShape => ({ ...usualForms().panel, around }) as FormShape;
  const [one, other] = [newForm('one', 'One', round('other')), newForm('other', 'Other', round('one'))];
  expect(codes(await evaluate(newProject('p', 'R', [one, other]), 'one'))).toContain('ONTO_CYCLE');
});

describe('a bar driven through a slab, which stand in groups and are sized', () => {
  const bar: FormShape = { ...SLAB, widthMm: 10, heightMm: 10, depthMm: 60 };
  const removed = async (...edits: Edit[]): Promise<number> => {
    const made = newProject('p', 'R', [newForm('bar', 'Bar', bar), newForm('body', 'Body', SLAB)]);
    const cut = { ...usualStep('cut', 'cut'), target: 'bar', operation: 'subtract' as const };
    const steps: Edit[] = [
      { kind: 'setPlacement', pieceId: 'bar', values: { atMm: [3, 12, 1] } },
      { kind: 'setSteps', pieceId: 'body', steps: [cut] },
    ];
    const cutBody = await evaluate(unwrap(applyEdit(made, { kind: 'many', edits: [...steps, ...edits] })));
    expect(checkMesh(pieceMesh(cutBody))).toMatchObject({ ...SOUND, shells: 1 });
    return 80 * 40 * 10 - volume(cutBody);
  };
  const group = (...items: string[]): Edit => ({ kind: 'addGroup', group: newGroup('g', 'G', [5, 6, 7]), items });
  const placed = (values: Partial<Group['placement']>): Edit => ({ kind: 'placeGroup', groupId: 'g', values });

  test('in one group that is turned and sized nothing changes', async () => {
    expect(await removed()).toBeCloseTo(1000, 6);
    const turned = placed({ turnDegrees: [20, 30, 40], sizePercent: 250, atMm: [100, -50, 3] });
    expect(await removed(group('bar', 'body'), turned)).toBeCloseTo(1000, 3);
  });

  test('the one or the other sized: the bar is as thick as it is against the slab', async () => {
    expect(
      await removed({ kind: 'setPlacement', pieceId: 'bar', values: { sizePercent: 50, atMm: [3, 12, 1] } }),
    ).toBeCloseTo(250, 6);
    expect(await removed(group('body'), placed({ sizePercent: 200 }))).toBeCloseTo(250, 6);
    // hung on the slab it is sized with it
    const hung: Edit = { kind: 'hang', items: ['bar'], hung: { on: 'body', letter: 0 } };
    expect(await removed(group('body'), placed({ sizePercent: 200 }), hung)).toBeCloseTo(1000, 6);
  });
});
