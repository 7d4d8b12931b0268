import {
  applyEdit,
  coloursOf,
  findFinish,
  newDrawing,
  newGroup,
  newPiece,
  newProject,
  readSvg,
  splitGraphemes,
  unwrap,
  usualCircle,
  usualDrawing,
  usualOwn,
  usualSlots,
  usualStep,
  usualWire,
  type Edge,
  type Edit,
  type Faces,
  type OwnLetter,
  type Project,
  type Step,
} from '@fictile/core';
import { MARK_SVG } from './mark.ts';
import { MIDDLE } from './parts.ts';

interface Sample {
  id: string;
  name: string;
  text: string;
  words: Extract<Edit, { kind: 'setWords' }>['values'];
  solid: Extract<Edit, { kind: 'setSolid' }>['values'];
  faces?: Partial<Faces>;
  steps?: readonly Step[];
  /** names of the shelf: front, edges, walls */
  finishes?: [string, string, string];
}

type Font = NonNullable<Sample['words']['font']>;
const font = (family: string, weight: number, axes: Font['axes'] = {}): Font => ({
  family,
  weight,
  italic: false,
  axes,
});

const edge = (kind: Edge['kind'], { inMm, deepMm, steps }: { inMm: number; deepMm: number; steps: number }): Edge => ({
  kind,
  inMm,
  deepMm,
  steps,
  points: [],
});

/** Jobs of the kiln-opening weekend at Saltglaze Row, a lane of potteries that exists only here. */
const SAMPLES: readonly Sample[] = [
  {
    id: 'row-opening-night',
    name: 'Opening night',
    text: 'KILN\nOPENING',
    words: { font: font('Zilla Slab', 700), sizeMm: 72, tracking: 10 },
    solid: { depthMm: 18, front: edge('round', { inMm: 2, deepMm: 2, steps: 4 }) },
  },
  {
    id: 'row-house-number',
    name: 'House number 17',
    text: '17',
    words: { font: font('Bodoni Moda', 700), sizeMm: 110 },
    solid: { depthMm: 14, front: edge('chamfer', { inMm: 9, deepMm: 6, steps: 1 }) },
    finishes: ['bone glaze', 'cobalt wash', 'ink'],
  },
  {
    id: 'row-shop-sign',
    name: 'Shop sign',
    text: 'Saltglaze Row',
    words: { font: font('Pacifico', 400), sizeMm: 48 },
    solid: { depthMm: 12, front: edge('round', { inMm: 3, deepMm: 3, steps: 6 }), backAsFront: true },
    finishes: ['celadon', 'celadon', 'salt grey'],
  },
  {
    id: 'row-guild',
    name: 'Guild board',
    text: 'Guild of\nthe Row',
    words: { font: font('UnifrakturCook', 700), sizeMm: 64, leadingPercent: 95 },
    solid: { depthMm: 20, front: edge('chamfer', { inMm: 14, deepMm: 13, steps: 1 }) },
    finishes: ['gold lustre', 'gold lustre', 'oxblood'],
  },
  {
    id: 'row-tea-room',
    name: 'Tea room',
    text: 'Tea room',
    words: { font: font('Lobster', 400), sizeMm: 60 },
    solid: {
      depthMm: 8,
      front: edge('round', { inMm: 1, deepMm: 1, steps: 4 }),
      swell: { frontMm: 7, backMm: 0, curve: 'round', steps: 10 },
    },
    finishes: ['honey', 'honey', 'honey'],
  },
  {
    id: 'row-bisque-shelf',
    name: 'Bisque shelf',
    text: 'BISQUE',
    words: { font: font('Alfa Slab One', 400), sizeMm: 60, tracking: 30 },
    solid: {
      depthMm: 40,
      front: edge('chamfer', { inMm: 2, deepMm: 2, steps: 1 }),
      backAsFront: true,
      side: { kind: 'waist', amountMm: 5, steps: 7, divisions: 1, points: [] },
    },
    finishes: ['chalk', 'bone glaze', 'buff stoneware'],
  },
  {
    id: 'row-clay-coil',
    name: 'Clay coil',
    text: 'ROLLED · THROWN · SLIPPED · GLAZED · FIRED',
    words: { font: font('Work Sans', 800, { wght: 800 }), sizeMm: 26, align: 'left' },
    solid: { depthMm: 9, front: edge('round', { inMm: 1, deepMm: 1, steps: 3 }) },
    faces: { toleranceMm: 0.1 },
    steps: [
      {
        ...usualStep('run', 'coil'),
        path: { kind: 'coil', radiusMm: 96, riseMm: 128, turns: 2.1 },
        fit: 'stretch',
        size: [
          { at: 0, value: 70 },
          { at: 0.6, value: 105 },
          { at: 1, value: 80 },
        ],
        roll: [
          { at: 0, value: -14 },
          { at: 1, value: 22 },
        ],
      },
    ],
    finishes: ['bone glaze', 'sienna slip', 'terracotta'],
  },
  {
    id: 'row-salt-wind',
    name: 'Salt wind',
    text: 'SALT',
    words: { font: font('Zilla Slab', 700), sizeMm: 80, tracking: 20 },
    solid: { depthMm: 22, front: edge('round', { inMm: 3, deepMm: 3, steps: 3 }) },
    faces: { style: 'grid', toleranceMm: 0.6 },
    steps: [
      { ...usualStep('noise', 'wind'), character: 'soft', sizeMm: 48, detail: 1, heightMm: 16, seed: 3 },
      { ...usualStep('bend', 'bend'), angleDegrees: 50 },
    ],
    finishes: ['celadon', 'bone glaze', 'celadon'],
  },
  {
    id: 'row-lamp',
    name: 'Lamp over the door',
    text: 'open',
    words: {
      font: font('Josefin Sans', 600),
      sizeMm: 90,
      tracking: 20,
      contour: { ...usualWire(), thickMm: 4.5, section: 'edge' },
    },
    solid: { front: edge('round', { inMm: 2, deepMm: 2, steps: 5 }) },
    finishes: ['copper lustre', 'copper lustre', 'copper lustre'],
  },
];

export const sampleProjects = (): Project[] => [...SAMPLES.map(build), buildMark(), buildTrialTiles()];

function finishEdits(pieceId: string, finishes: Sample['finishes']): Edit[] {
  if (!finishes) return [];
  const [front, edges, walls] = finishes.map(findFinish);
  return [
    { kind: 'setFinish', pieceId, slots: ['front', 'back'], values: front },
    { kind: 'setFinish', pieceId, slots: ['frontEdge', 'backEdge'], values: edges },
    { kind: 'setFinish', pieceId, slots: ['wall'], values: walls },
  ];
}

/** A drawing with its colours, words round it above and below, and a wire between. */
function buildMark(): Project {
  const { shape } = unwrap(readSvg(MARK_SVG));
  const { front } = usualSlots();
  const finish = (colour: string): OwnLetter['finish'] => ({ ...front, name: '', colour });
  const own = Object.fromEntries(
    coloursOf(shape).map(({ id, name }) => [String(id), { ...usualOwn(), finish: finish(name) }]),
  );
  const mark = newDrawing('mark', 'Mark of the Row', { ...usualDrawing(shape), own });
  const ring = newDrawing('ring', 'Ring', {
    ...usualDrawing({ kind: 'ellipse', widthMm: 126, heightMm: 126 }),
    contour: { ...usualWire(), thickMm: 4 },
  });
  const above = newPiece('above', 'Above', splitGraphemes('SALTGLAZE ROW'));
  const below = newPiece('below', 'Below', splitGraphemes('KILN OPENING'));
  const line = { ...usualCircle(), radiusMm: 70 };
  const set = (pieceId: string, direction: 'clockwise' | 'counter'): Edit => ({
    kind: 'setWords',
    pieceId,
    values: {
      font: font('Josefin Sans', 700),
      sizeMm: 17,
      tracking: 60,
      line: { ...line, direction, startDegrees: direction === 'counter' ? 180 : 0 },
    },
  });
  const solid = (pieceId: string, depthMm: number): Edit => ({
    kind: 'setSolid',
    pieceId,
    values: { depthMm, front: edge('round', { inMm: 1.2, deepMm: 1.2, steps: 4 }) },
  });
  const edits: Edit[] = [
    ...['mark', 'ring'].map((pieceId): Edit => ({
      kind: 'setPlacement',
      pieceId,
      values: { pivot: MIDDLE, atMm: [0, 0, 6] },
    })),
    set('above', 'clockwise'),
    set('below', 'counter'),
    ...[above.id, below.id].flatMap((id) => [solid(id, 10), ...finishEdits(id, ['ink', 'ink', 'ink'])]),
    solid('mark', 12),
    ...finishEdits('ring', ['gold lustre', 'gold lustre', 'gold lustre']),
    { kind: 'addGroup', group: newGroup('border', 'Border'), items: [ring.id, above.id, below.id] },
  ];
  const project = newProject('row-mark', 'Mark of the Row', [mark, ring, above, below]);
  return edits.reduce((so, edit) => unwrap(applyEdit(so, edit)), project);
}

/** One word four times, its faces cut in every style. */
function buildTrialTiles(): Project {
  const styles: [Faces['style'], string, number?][] = [
    ['plain', 'Plain'],
    ['bands', 'Bands'],
    ['grid', 'Squares', 4],
    ['flow', 'Flowing'],
  ];
  const pieces = styles.map(([style, name]) => newPiece(style, name, splitGraphemes('Glaze')));
  const edits = styles.flatMap(([style, , sizeMm = 0], i): Edit[] => [
    { kind: 'setWords', pieceId: style, values: { font: font('Zilla Slab', 700), sizeMm: 50 } },
    {
      kind: 'setSolid',
      pieceId: style,
      values: { depthMm: 14, front: edge('round', { inMm: 1.5, deepMm: 1.5, steps: 2 }) },
    },
    { kind: 'setFaces', pieceId: style, values: { style, bands: 30, sizeMm } },
    { kind: 'setPlacement', pieceId: style, values: { atMm: [0, -66 * i, 0] } },
  ]);
  return edits.reduce(
    (project, edit) => unwrap(applyEdit(project, edit)),
    newProject('row-trial-tiles', 'Trial tiles', pieces),
  );
}

function build(sample: Sample): Project {
  const piece = newPiece('title', sample.name, splitGraphemes(sample.text));
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: piece.id, values: sample.words },
    { kind: 'setSolid', pieceId: piece.id, values: sample.solid },
    ...(sample.faces ? [{ kind: 'setFaces', pieceId: piece.id, values: sample.faces } as const] : []),
    ...(sample.steps ? [{ kind: 'setSteps', pieceId: piece.id, steps: sample.steps } as const] : []),
    ...finishEdits(piece.id, sample.finishes),
  ];
  return edits.reduce((project, edit) => unwrap(applyEdit(project, edit)), newProject(sample.id, sample.name, [piece]));
}
