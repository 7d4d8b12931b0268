import { type CutStep, type OntoStep, middleOfSide, usualStep } from '../steps/index.ts';
import { quietContext, seededRandom, unwrap, type Remark } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import {
  applyEdit,
  newForm,
  newPiece,
  newProject,
  usualForms,
  type FormShape,
  type Project,
} from '../document/index.ts';
import { pieceMesh, type Evaluated } from '../evaluate/index.ts';
import { boxOfPoints, type Box3 } from '../math/index.ts';

// Words on bodies, made of chance, and a second opinion on what is told of them.

export interface Pair {
  name: string;
  project: Project;
  /** letters end exactly on a border, at some angle */
  isFlush: boolean;
  form: FormShape;
}

const WORDS = ['SIGN', 'KILN', 'Row', 'R8', 'Ofen', 'TAP', 'IL', 'Glaze 7', 'ÄO', 'X'];
const FAMILIES = ['Zilla Slab', 'Work Sans', 'Bodoni Moda'];
const OPERATIONS: readonly CutStep['operation'][] = [
  'engrave',
  'raise',
  'through',
  'imprint',
  'join',
  'subtract',
  'intersect',
];
const block = {
  kind: 'block',
  widthMm: 120,
  heightMm: 60,
  depthMm: 20,
  edge: 'plain',
  edgeMm: 0,
  taperPercent: 0,
} satisfies FormShape;

/** One of many: text, size, operation and place by chance. */
export function pairOf(seed: number): Pair {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const forms = usualForms();
  const form = pick<FormShape>([
    block,
    block,
    block,
    forms.jug,
    forms.ball,
    forms.cylinder,
    { ...block, edge: 'round', edgeMm: 2 },
  ]);
  const isBlock = form.kind === 'block';
  // capitals are as tall as the front, or all but: swept through its borders
  const isFlush = isBlock && random() < 0.4;
  const sizeMm = isFlush ? 60 : isBlock ? 8 + 60 * random() : 6 + 24 * random();
  const turnDegrees = isFlush ? pick([0, 90, 180]) : pick([0, 0, Math.round(360 * random()), 33.7]);
  const operation = pick(OPERATIONS);
  const text = pick(WORDS);
  const across = isBlock ? Math.round(40 * (random() - 0.5)) : 0;
  const onto: OntoStep = {
    ...usualStep('onto', 'lies'),
    target: 'body',
    method: isBlock ? pick(['flat', 'round'] as const) : pick(['round', 'direction', 'flat'] as const),
    heldBy: 'middle',
    place: { ...middleOfSide(isBlock ? pick(['front', 'back', 'top'] as const) : 'front'), acrossMm: across },
    turnDegrees,
  };
  const cut: CutStep = {
    ...usualStep('cut', 'cut'),
    target: 'words',
    operation,
    sinkMm: pick([0.5, 2, 5]),
    softMm: pick([0, 0, 0.4]),
    raiseMm: operation === 'imprint' ? pick([0, 0.6]) : 0,
  };
  const made = newProject('p', 'Row', [newPiece('words', text, [...text]), newForm('body', 'Body', form)]);
  const family = pick(FAMILIES);
  const project = unwrap(
    applyEdit(made, {
      kind: 'many',
      edits: [
        {
          kind: 'setWords',
          pieceId: 'words',
          values: { sizeMm, font: { family, weight: 700, italic: false, axes: {} } },
        },
        {
          kind: 'setSolid',
          pieceId: 'words',
          values: { depthMm: 3, front: { kind: 'plain', inMm: 0, deepMm: 0, steps: 1, points: [] } },
        },
        { kind: 'setFaces', pieceId: 'words', values: { toleranceMm: 0.2 } },
        { kind: 'setFaces', pieceId: 'body', values: { toleranceMm: 0.2 } },
        { kind: 'setSteps', pieceId: 'words', steps: [onto] },
        { kind: 'setSteps', pieceId: 'body', steps: [cut] },
      ],
    }),
  );
  return {
    name:
      `${seed}: ${text} of ${sizeMm.toFixed(2)} mm, ${operation}, ${onto.method} on a ${form.kind}, ` +
      `turned ${turnDegrees}`,
    project,
    isFlush,
    form,
  };
}

export interface Judged {
  /** of the body: sound, or as it was with a reason told */
  body: 'sound' | 'refused' | 'unsound';
  /** what is told and not true, or true and not told */
  wrong: string[];
}

interface Tools {
  evaluate(
    project: Project,
    pieceId: string,
    context: typeof quietContext,
    options: { crossings: boolean },
  ): Promise<{ ok: true; value: Evaluated } | { ok: false; error: unknown }>;
}

/** Builds a pair and looks at it with means of its own: boxes, volumes, faces that cross. */
export async function judgePair({ project, isFlush, form }: Pair, engine: Tools): Promise<Judged> {
  const built = async (one: Project, id: string): Promise<Evaluated> => {
    const result = await engine.evaluate(one, id, quietContext, { crossings: true });
    if (!result.ok) throw new Error(JSON.stringify(result.error));
    return result.value;
  };
  const [words, body] = [await built(project, 'words'), await built(project, 'body')];
  const plain = await built(withoutSteps(project), 'body');
  const report = checkMesh(pieceMesh(body));
  const before = checkMesh(pieceMesh(plain));
  const told = (code: Remark['code']): Remark | undefined =>
    [...words.remarks, ...body.remarks].find((one) => one.code === code);
  const isSound = report.closed && report.manifold && report.outward && report.crossingFaces === 0;
  const refusal = told('CUT_LEFT_OUT');
  const wrong: string[] = [];
  if (refusal?.code === 'CUT_LEFT_OUT') {
    if (isFlush && ['kernel', 'volume'].includes(refusal.params.why))
      wrong.push(`flush letters refused: ${refusal.params.why}`);
    if (Math.abs(report.volumeMm3 - before.volumeMm3) > 1e-6 * before.volumeMm3)
      wrong.push('a cut that is left out has changed the body');
    if (refusal.params.why === 'crossed' && !crossesAlone(words, told) && !goesRoundAnEdge(words, form))
      wrong.push('told to run through itself, and does not');
  } else if (!told('CUT_APART') && report.volumeMm3 === before.volumeMm3 && report.faces === before.faces)
    wrong.push('nothing was cut, and nothing is told');
  const onFront = form.kind === 'block' && form.edge === 'plain' && words.onto && stepMethod(project) === 'flat';
  if (onFront) wrong.push(...borderFaults(words, plain, told('ONTO_BORDER') !== undefined));
  if (onFront && !refusal) wrong.push(...apartFaults(words, plain, project, told('CUT_APART')));
  if (form.kind === 'ball') wrong.push(...gapFaults(words, plain, told));
  return { body: refusal ? 'refused' : isSound ? 'sound' : 'unsound', wrong };
}

const stepMethod = ({ pieces }: Project): string | undefined =>
  pieces.words.steps.map((step) => (step.kind === 'onto' ? step.method : undefined)).at(0);

const withoutSteps = (project: Project): Project => ({
  ...project,
  pieces: { ...project.pieces, body: { ...project.pieces.body, steps: [] } },
});

/** What runs through itself as it lies there: its faces cross, or something of the kind is told of it. */
const crossesAlone = (words: Evaluated, told: (code: Remark['code']) => Remark | undefined): boolean =>
  checkMesh(pieceMesh(words)).crossingFaces > 0 ||
  (['ONTO_FOLDS', 'SHAPE_CROSSES', 'SHAPE_FOLDS', 'LETTERS_CROSS', 'ONTO_OVERHANGS'] as const).some(
    (code) => told(code) !== undefined,
  );

/** On a block, laid over an edge: what is drawn deeper there runs into itself. */
function goesRoundAnEdge({ onto }: Evaluated, form: FormShape): boolean {
  if (form.kind !== 'block' || !onto) return false;
  const { low, high } = onto.options.box;
  return Math.hypot(high[0] - low[0], high[1] - low[1]) > Math.min(form.heightMm, form.depthMm);
}

/** Of a plain block letters reach over a border where their box leaves the body's, seen from that side. */
function borderFaults(words: Evaluated, plain: Evaluated, isTold: boolean): string[] {
  const [own, under] = [words, plain].map((one): Box3 => boxOfPoints(pieceMesh(one).positions));
  const sides = sidesOf(words);
  const past = Math.max(...sides.flatMap((k) => [under.low[k] - own.low[k], own.high[k] - under.high[k]]));
  // a hair to either side it is as good as flush
  if (isTold && past < -1e-3) return ['told to reach over a border, and does not'];
  return !isTold && past > 1e-2 ? ['reaches over a border, and nothing is told'] : [];
}

/** The axes across and up of the side that words lie on. */
const sidesOf = ({ onto }: Evaluated): number[] =>
  [0, 1, 2].filter((k) => Math.abs((onto?.hold.toward ?? [0, 0, -1])[k]) < 0.5);

/**
 * Of a plain block letters touch nothing whose box lies beside that of the body, and those touch it whose box lies
 * within.
 */
function apartFaults(words: Evaluated, plain: Evaluated, { pieces }: Project, told: Remark | undefined): string[] {
  const [step] = pieces.body.steps;
  // what both share is told of nothing, and what is sunk deeper than it is high lies inside
  if (step.kind !== 'cut' || step.operation === 'intersect') return [];
  if (told?.code === 'CUT_APART' && told.params.isInside) return [];
  // rims make letters wider
  const widerMm = step.softMm + 1e-2;
  const named = told?.code === 'CUT_APART' ? told.params.letters.split(' ').filter((one) => one !== '').length : 0;
  const under = boxOfPoints(pieceMesh(plain).positions);
  const sides = sidesOf(words);
  const clusters = words.clusters.map(({ mesh, letters }) => ({ box: boxOfPoints(mesh.positions), letters }));
  const count = (of: (box: Box3, k: number) => boolean, isEach: boolean): number =>
    clusters
      .filter(({ box }) => (isEach ? sides.every((k) => of(box, k)) : sides.some((k) => of(box, k))))
      .reduce((sum, { letters }) => sum + letters.length, 0);
  const beside = count(
    ({ low, high }, k) => high[k] < under.low[k] - widerMm || low[k] > under.high[k] + widerMm,
    false,
  );
  const within = count(({ low, high }, k) => low[k] > under.low[k] && high[k] < under.high[k], true);
  const all = clusters.reduce((sum, { letters }) => sum + letters.length, 0);
  return named < beside || named > all - within
    ? [`${named} letters are told to touch nothing; ${beside} lie beside, ${within} within`]
    : [];
}

/** Heights over a ball, mm: farther than this it has to be told, and nearer it may not be. */
const FLOATS = { told: 0.05, untold: 1 };

/** How far the back of letters stands over a ball, by its middle and radius. */
function gapFaults(words: Evaluated, plain: Evaluated, told: (code: Remark['code']) => Remark | undefined): string[] {
  const { low, high } = boxOfPoints(pieceMesh(plain).positions);
  const middle = low.map((v, k) => (v + high[k]) / 2);
  const radius = (high[0] - low[0]) / 2;
  const { positions: p, regions, region, faceStart, faceVertices } = pieceMesh(words);
  const over = [...region]
    .flatMap((row, f) =>
      regions[row].part === 'back' ? [...faceVertices.subarray(faceStart[f], faceStart[f + 1])] : [],
    )
    .map((v) => Math.hypot(...middle.map((m, k) => p[3 * v + k] - m)) - radius);
  const most = Math.max(...over);
  // what hangs over the ball's rim is told as that
  if (told('ONTO_OVERHANGS') || told('ONTO_BORDER') || over.length === 0) return [];
  if (told('ONTO_FLOATS') && most < FLOATS.told) return ['told to float, and does not'];
  return !told('ONTO_FLOATS') && most > FLOATS.untold ? [`floats by ${most.toFixed(2)} mm, and nothing is told`] : [];
}
