import {
  applyEdit,
  newForm,
  newPiece,
  newProject,
  splitGraphemes,
  unwrap,
  usualForms,
  usualStep,
  type CutStep,
  type Edge,
  type Edit,
  type FormPiece,
  type FormShape,
  type OntoStep,
  type Placement,
  type Project,
  type Step,
  type Words,
} from '@fictile/core';
import { dressed, font } from './parts.ts';

interface Cut {
  id: string;
  name: string;
  form: FormShape;
  /** on the shelf: of the body, of the floor or front, of walls and edges */
  finishes: [string, string, string];
  text: string;
  words: Partial<Pick<Words, 'font' | 'sizeMm' | 'tracking' | 'leadingPercent' | 'anchor'>>;
  depthMm: number;
  edge: Edge;
  onto: Partial<OntoStep>;
  cut: Partial<CutStep>;
  /** of the body, after the cut */
  then?: readonly Step[];
  more?: readonly { piece: FormPiece; finish: string; placement: Partial<Placement> }[];
}

const edge = (kind: Edge['kind'], size: number): Edge => ({ kind, inMm: size, deepMm: size, steps: 3, points: [] });
const block = (widthMm: number, heightMm: number, depthMm: number): FormShape => ({
  kind: 'block',
  widthMm,
  heightMm,
  depthMm,
  edge: 'round',
  edgeMm: 3,
  taperPercent: 0,
});

/** Things of the kiln-opening weekend into which words were let. */
const CUTS: readonly Cut[] = [
  {
    id: 'row-tile',
    name: 'Stamped tile',
    form: block(250, 170, 22),
    finishes: ['buff stoneware', 'celadon', 'buff stoneware'],
    text: 'ROW\nNo 7',
    words: { font: font('Zilla Slab', 700), sizeMm: 48, anchor: 'middle', leadingPercent: 88 },
    depthMm: 10,
    edge: edge('round', 1.5),
    onto: { method: 'flat', fromMm: [0, 85, 200] },
    cut: { operation: 'engrave', sinkMm: 7, softMm: 2, softSteps: 5 },
  },
  {
    id: 'row-lantern',
    name: 'Lantern board',
    form: block(300, 120, 12),
    finishes: ['basalt', 'honey', 'basalt'],
    text: 'KILN',
    words: { font: font('Work Sans', 800), sizeMm: 62, tracking: 40, anchor: 'middle' },
    depthMm: 10,
    edge: edge('plain', 0),
    onto: { method: 'flat', fromMm: [0, 60, 200] },
    cut: { operation: 'through', softMm: 1.5, softSteps: 4 },
    more: [
      {
        piece: newForm('light', 'Light', block(280, 100, 4)),
        finish: 'ember',
        placement: { stand: 'free', atMm: [0, 8, -34] },
      },
    ],
  },
  {
    id: 'row-basin',
    name: 'Basin with a raised rim',
    form: usualForms().bowl,
    finishes: ['bone glaze', 'cobalt wash', 'cobalt wash'],
    text: 'RINSE · DRY · RINSE · DRY · RINSE · DRY ·',
    words: { font: font('Josefin Sans', 700), sizeMm: 17, tracking: 40, anchor: 'middle' },
    depthMm: 3,
    edge: edge('round', 0.8),
    onto: { method: 'round', fromMm: [0, 92, 300], guide: 'level' },
    cut: { operation: 'raise', softMm: 1, softSteps: 4 },
  },
  {
    id: 'row-collar',
    name: 'Bent collar',
    form: block(320, 90, 8),
    finishes: ['salt grey', 'salt grey', 'salt grey'],
    text: 'WEEKEND',
    words: { font: font('Zilla Slab', 700), sizeMm: 44, tracking: 20, anchor: 'middle' },
    depthMm: 8,
    edge: edge('plain', 0),
    onto: { method: 'flat', fromMm: [0, 45, 200] },
    cut: { operation: 'through', loose: 'drop' },
    then: [{ ...usualStep('bend', 'bend'), angleDegrees: 150 }],
  },
];

function build({
  id,
  name,
  form,
  finishes,
  text,
  words,
  depthMm,
  edge: front,
  onto,
  cut,
  then = [],
  more = [],
}: Cut): Project {
  const body = newForm('body', name, form);
  const title = newPiece('title', 'Lettering', splitGraphemes(text));
  const edits: Edit[] = [
    { kind: 'setFaces', pieceId: body.id, values: { toleranceMm: 0.02 } },
    { kind: 'setPlacement', pieceId: body.id, values: { stand: 'table' } },
    dressed(body.id, finishes[0]),
    { kind: 'setSteps', pieceId: body.id, steps: [{ ...usualStep('cut', 'cut'), target: title.id, ...cut }, ...then] },
    { kind: 'setWords', pieceId: title.id, values: words },
    { kind: 'setSolid', pieceId: title.id, values: { depthMm, front } },
    { kind: 'setSteps', pieceId: title.id, steps: [{ ...usualStep('onto', 'onto'), target: body.id, ...onto }] },
    dressed(title.id, finishes[1], ['front']),
    dressed(title.id, finishes[2], ['frontEdge', 'wall', 'backEdge', 'back']),
    ...more.flatMap(({ piece, finish, placement }): Edit[] => [
      { kind: 'setPlacement', pieceId: piece.id, values: placement },
      dressed(piece.id, finish),
    ]),
  ];
  const pieces = [title, body, ...more.map(({ piece }) => piece)];
  return edits.reduce((so, edit) => unwrap(applyEdit(so, edit)), newProject(id, name, pieces));
}

export const cutProjects = (): Project[] => CUTS.map(build);
