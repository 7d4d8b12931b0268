import {
  applyEdit,
  findFinish,
  newPiece,
  newProject,
  splitGraphemes,
  unwrap,
  type Edit,
  type Project,
} from '@fictile/core';

interface Sample {
  id: string;
  name: string;
  text: string;
  words: Extract<Edit, { kind: 'setWords' }>['values'];
  solid: Extract<Edit, { kind: 'setSolid' }>['values'];
  /** names of the shelf: front, edges, walls */
  finishes?: [string, string, string];
}

const font = (family: string, weight: number): Sample['words']['font'] => ({ family, weight, italic: false, axes: {} });

/** Three jobs of the kiln-opening weekend at Saltglaze Row, a lane of potteries that exists only here. */
const SAMPLES: readonly Sample[] = [
  {
    id: 'row-opening-night',
    name: 'Opening night',
    text: 'KILN\nOPENING',
    words: { font: font('Zilla Slab', 700), sizeMm: 72, tracking: 10 },
    solid: { depthMm: 18, front: { kind: 'round', inMm: 2, deepMm: 2, steps: 4 } },
  },
  {
    id: 'row-house-number',
    name: 'House number 17',
    text: '17',
    words: { font: font('Bodoni Moda', 700), sizeMm: 110 },
    solid: { depthMm: 14, front: { kind: 'chamfer', inMm: 9, deepMm: 6, steps: 1 } },
    finishes: ['bone glaze', 'cobalt wash', 'ink'],
  },
  {
    id: 'row-shop-sign',
    name: 'Shop sign',
    text: 'Saltglaze Row',
    words: { font: font('Pacifico', 400), sizeMm: 48 },
    solid: { depthMm: 12, front: { kind: 'round', inMm: 3, deepMm: 3, steps: 6 }, backAsFront: true },
    finishes: ['celadon', 'celadon', 'salt grey'],
  },
];

export const sampleProjects = (): Project[] => SAMPLES.map(build);

function finishEdits(pieceId: string, finishes: Sample['finishes']): Edit[] {
  if (!finishes) return [];
  const [front, edges, walls] = finishes.map(findFinish);
  return [
    { kind: 'setFinish', pieceId, slots: ['front', 'back'], values: front },
    { kind: 'setFinish', pieceId, slots: ['frontEdge', 'backEdge'], values: edges },
    { kind: 'setFinish', pieceId, slots: ['wall'], values: walls },
  ];
}

function build(sample: Sample): Project {
  const piece = newPiece('title', sample.name, splitGraphemes(sample.text));
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: piece.id, values: sample.words },
    { kind: 'setSolid', pieceId: piece.id, values: sample.solid },
    ...finishEdits(piece.id, sample.finishes),
  ];
  return edits.reduce((project, edit) => unwrap(applyEdit(project, edit)), newProject(sample.id, sample.name, [piece]));
}
