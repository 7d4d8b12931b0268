import { usualStep, type Step } from '../steps/index.ts';
import { quietContext, unwrap, type Remark } from '../base/index.ts';
import {
  applyEdit,
  newModel,
  newPiece,
  newProject,
  usualCircle,
  usualForms,
  usualSlots,
  type Faces,
  type Words,
} from '../document/index.ts';
import { formMesh } from '../form/index.ts';
import { usualFrame, usualWriteOptions, writeScene } from '../io/index.ts';
import { loadKernels } from '@fictile/kernels';
import { STILL } from '../math/index.ts';
import { testEngine, testTools } from '../testing/faces.ts';
import { splitGraphemes } from '../text/index.ts';
import { Engine } from './index.ts';

// what words, faces and steps have to tell where nothing else in the tests makes it

interface Case {
  text: string;
  words?: Partial<Words>;
  faces?: Partial<Faces>;
  steps?: Step[];
  faceBudget?: number;
}

async function evaluated({ text, words = {}, faces = {}, steps = [], faceBudget = 2_000_000 }: Case) {
  const project = { ...newProject('p', 'Row', [newPiece('a', text, splitGraphemes(text))]), faceBudget };
  const edits = [
    { kind: 'setWords', pieceId: 'a', values: words },
    { kind: 'setFaces', pieceId: 'a', values: faces },
    { kind: 'setSteps', pieceId: 'a', steps },
  ] as const;
  const engine = await testEngine();
  return engine.evaluate(unwrap(applyEdit(project, { kind: 'many', edits })), 'a', quietContext);
}

const font = (family: string, weight: number): Words['font'] => ({ family, weight, italic: false, axes: {} });
const LARGEST = expect.any(Number) as number;

test.each<[Remark['code'], object, Case]>([
  [
    'CIRCLE_OVERFULL',
    { neededMm: 172 },
    { text: 'Kiln opening weekend', words: { line: { ...usualCircle(), radiusMm: 30 } } },
  ],
  [
    'SMALL_CAPITALS_MISSING',
    { font: 'Pacifico Regular' },
    { text: 'Kiln', words: { capitals: 'small', font: font('Pacifico', 400) } },
  ],
  [
    'FACES_PLAIN',
    { letters: '®' },
    { text: '®', words: { font: font('Zilla Slab', 400) }, faces: { style: 'flow', sizeMm: 0 } },
  ],
  [
    'NEED_OVER_BUDGET',
    { budget: 3000, haveMm: LARGEST, needMm: LARGEST },
    { text: 'Hi', steps: [{ ...usualStep('wave', 'w'), heightMm: 8, lengthMm: 12 }], faceBudget: 3000 },
  ],
  [
    'SHAPE_TOUCHES',
    { stepId: 'b', limit: 359 },
    { text: 'Kiln', steps: [{ ...usualStep('bend', 'b'), angleDegrees: 360 }] },
  ],
  [
    'RECAST_LOSES',
    { stepId: 'r', what: 'gone', letters: 'H n', finerMm: LARGEST },
    {
      text: 'Hn',
      words: { sizeMm: 40, font: font('Bodoni Moda', 400) },
      steps: [{ ...usualStep('recast', 'r'), sizeMm: 3 }],
    },
  ],
])('%s', async (code, params, wanted) => {
  const { remarks } = unwrap(await evaluated(wanted));
  expect(remarks.find((one) => one.code === code)?.params).toMatchObject(params);
  const tamer = unwrap(
    await evaluated({
      ...wanted,
      words: { font: font('Work Sans', 700) },
      faces: {},
      steps: [],
      faceBudget: 2_000_000,
    }),
  );
  expect(tamer.remarks.map((one) => one.code)).toEqual([]);
});

test('words farther across than can be built are refused, with the length that can', async () => {
  const found = await evaluated({ text: 'W'.repeat(200), words: { sizeMm: 10_000 } });
  expect(found).toMatchObject({
    ok: false,
    error: { code: 'VALUE_OUT_OF_RANGE', params: { max: 65_536, unit: 'mm' } },
  });
});

test('of a file with a model in two levels the finest comes in, which is told', async () => {
  const part = { name: 'Jug', mesh: formMesh(usualForms().jug, 1), transform: STILL, slots: usualSlots(), letters: [] };
  const options = { ...usualWriteOptions('glb', 'Jug'), levels: 2, levelsAs: 'linked' as const };
  const { bytes } = await writeScene([part], options, await loadKernels());
  const asset = 'a'.repeat(64);
  const model = newModel('m', 'Jug', { ...usualFrame('glb'), asset });
  const engine = new Engine({ ...(await testTools()), loadModel: async () => bytes });
  const { remarks, bodyFaces } = unwrap(await engine.evaluate(newProject('p', 'Row', [model]), 'm', quietContext));
  expect(remarks).toEqual([{ code: 'MODEL_LEFT_OUT', params: { pictures: 0, levels: 1 } }]);
  expect(bodyFaces).toBeGreaterThan(part.mesh.region.length);
});
