import {
  applyEdit,
  newForm,
  newPiece,
  newProject,
  splitGraphemes,
  unwrap,
  usualForms,
  usualStep,
  type Edit,
  type FormShape,
  type OntoStep,
  type Project,
  type Words,
} from '@fictile/core';
import { dressed, font, MIDDLE } from './parts.ts';

interface OnModel {
  id: string;
  name: string;
  form: FormShape;
  /** on the shelf: of the body, of the letters */
  finishes: [string, string];
  text: string;
  words: Partial<Pick<Words, 'font' | 'sizeMm' | 'tracking' | 'anchor' | 'line'>>;
  depthMm: number;
  onto: Partial<OntoStep>;
}

/** Lettering on vessels and tiles of the kiln-opening weekend. */
const ON_MODELS: readonly OnModel[] = [
  {
    id: 'row-jug',
    name: 'Jug of the Row',
    form: usualForms().jug,
    finishes: ['salt grey', 'cobalt wash'],
    text: 'SALTGLAZE ROW',
    words: { font: font('Zilla Slab', 700), sizeMm: 19, tracking: 20, anchor: 'middle' },
    depthMm: 4,
    onto: { fromMm: [0, 100, 300], guide: 'level' },
  },
  {
    id: 'row-bowl',
    name: 'Bowl of plenty',
    form: usualForms().bowl,
    finishes: ['celadon', 'bone glaze'],
    text: 'FILL · SHARE · FILL AGAIN · SHARE AGAIN ·',
    words: { font: font('Josefin Sans', 700), sizeMm: 16, tracking: 40, anchor: 'middle' },
    depthMm: 3,
    onto: { fromMm: [0, 92, 300], guide: 'level' },
  },
  {
    id: 'row-sail',
    name: 'Curved tile',
    form: { kind: 'shell', widthMm: 280, heightMm: 150, thickMm: 10, acrossMm: 46, upMm: -24 },
    finishes: ['buff stoneware', 'oxblood'],
    text: 'FIRED\nBY HAND',
    words: { font: font('Work Sans', 800), sizeMm: 42, anchor: 'middle' },
    depthMm: 5,
    onto: { fromMm: [0, 75, 300] },
  },
];

function build({ id, name, form, finishes, text, words, depthMm, onto }: OnModel): Project {
  const body = newForm('body', name, form);
  const title = newPiece('title', 'Lettering', splitGraphemes(text));
  const edits: Edit[] = [
    { kind: 'setFaces', pieceId: body.id, values: { toleranceMm: 0.02 } },
    { kind: 'setPlacement', pieceId: body.id, values: { stand: 'table' } },
    dressed(body.id, finishes[0]),
    { kind: 'setWords', pieceId: title.id, values: words },
    {
      kind: 'setSolid',
      pieceId: title.id,
      values: { depthMm, front: { kind: 'round', inMm: 1, deepMm: 1, steps: 3, points: [] } },
    },
    { kind: 'setSteps', pieceId: title.id, steps: [{ ...usualStep('onto', 'onto'), target: body.id, ...onto }] },
    dressed(title.id, finishes[1]),
  ];
  return edits.reduce((so, edit) => unwrap(applyEdit(so, edit)), newProject(id, name, [title, body]));
}

/** Words on a plate that is always as large as they are. */
function buildDoorPlate(): Project {
  const title = newPiece('title', 'Words', splitGraphemes('Open all\nweekend'));
  const panel = newForm('panel', 'Plate', { ...usualForms().panel, around: title.id, cornerMm: 14, marginMm: 20 });
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: title.id, values: { font: font('Pacifico', 400), sizeMm: 44 } },
    { kind: 'setSolid', pieceId: title.id, values: { depthMm: 8 } },
    { kind: 'setPlacement', pieceId: title.id, values: { stand: 'table', pivot: MIDDLE } },
    dressed(title.id, 'bone glaze'),
    dressed(panel.id, 'cobalt wash'),
  ];
  return edits.reduce((so, edit) => unwrap(applyEdit(so, edit)), newProject('row-door', 'Door plate', [title, panel]));
}

export const modelProjects = (): Project[] => [...ON_MODELS.map(build), buildDoorPlate()];
