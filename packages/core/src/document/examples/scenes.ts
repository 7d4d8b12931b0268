import type { Remark, RemarkCode } from '../../base/index.ts';
import { middleOfSide, usualStep, type CutStep, type OntoStep, type Step } from '../../steps/index.ts';
import { unwrap } from '../../base/index.ts';
import { newForm, newPiece, newProject } from '../defaults.ts';
import { applyEdit, type Edit } from '../edits.ts';
import type { Faces, FormShape, OwnLetter, Piece, Project, Solid, Words } from '../schema.ts';

/** A document of which something is told. */
export interface RemarkExample {
  project: Project;
  /** of which piece */
  pieceId: string;
  /** what is told where nothing small brings it about: the picture shows what it would be told of */
  told?: Remark;
}

export type RemarkExamples<C extends RemarkCode = RemarkCode> = { readonly [K in C]: () => RemarkExample };

export const font = (family: string, weight: number): Words['font'] => ({ family, weight, italic: false, axes: {} });

interface Common {
  words?: Partial<Words>;
  solid?: Partial<Solid>;
  faceBudget?: number;
}

interface AloneScene extends Common {
  faces?: Partial<Faces>;
  steps?: Step[];
  /** of letters, by the place among the words, from 1 */
  own?: Record<number, Partial<OwnLetter>>;
}

const within = (project: Project, edits: Edit[], faceBudget = project.faceBudget): Project =>
  unwrap(applyEdit({ ...project, faceBudget }, { kind: 'many', edits }));

/** Words that stand by themselves. */
export function wordsAlone(text: string, scene: AloneScene = {}): Project {
  const { words = {}, solid = {}, faces = {}, steps = [], own = {}, faceBudget } = scene;
  const pieceId = 'words';
  const edits: Edit[] = [
    { kind: 'setWords', pieceId, values: words },
    { kind: 'setSolid', pieceId, values: solid },
    { kind: 'setFaces', pieceId, values: faces },
    { kind: 'setSteps', pieceId, steps },
    ...Object.entries(own).map(([id, values]): Edit => ({ kind: 'setOwn', pieceId, ids: [Number(id)], values })),
  ];
  return within(newProject('example', text, [newPiece(pieceId, text, [...text])]), edits, faceBudget);
}

export interface BodyScene extends Common {
  text?: string;
  form?: FormShape;
  /** null: they lie on nothing */
  onto?: Partial<OntoStep> | null;
  cut?: Partial<CutStep>;
  /** another body that cuts, instead of the words */
  tool?: FormShape;
  /** more that is said of the pieces `words`, `body` and `tool` */
  edits?: Edit[];
}

export const crate: FormShape = {
  kind: 'block',
  widthMm: 100,
  heightMm: 100,
  depthMm: 100,
  edge: 'plain',
  edgeMm: 0,
  taperPercent: 0,
};
export const bigBall: FormShape = { kind: 'ball', radiusMm: 80 };
export const smallBall: FormShape = { kind: 'ball', radiusMm: 20 };
export const FRONT = middleOfSide('front');

/** Words that lie on a body, and cut it where that is said. */
export function wordsOnBody(scene: BodyScene): Project {
  const { text = 'SIGN', form = crate, words = {}, solid = {}, onto = {}, cut, tool, edits = [], faceBudget } = scene;
  const pieces: Piece[] = [newPiece('words', text, [...text]), newForm('body', 'Body', form)];
  const lies = { ...usualStep('onto', 'lies'), target: 'body', method: 'flat' as const, heldBy: 'middle' as const };
  const cuts = { ...usualStep('cut', 'cut'), target: tool ? 'tool' : 'words', ...cut };
  return within(
    newProject('example', text, [...pieces, ...(tool ? [newForm('tool', 'Tool', tool)] : [])]),
    [
      { kind: 'setWords', pieceId: 'words', values: words },
      { kind: 'setSolid', pieceId: 'words', values: { depthMm: 4, ...solid } },
      { kind: 'setFaces', pieceId: 'words', values: { toleranceMm: 0.2 } },
      { kind: 'setFaces', pieceId: 'body', values: { toleranceMm: 0.2 } },
      { kind: 'setSteps', pieceId: 'words', steps: onto ? [{ ...lies, place: FRONT, ...onto }] : [] },
      { kind: 'setSteps', pieceId: 'body', steps: cut ? [cuts] : [] },
      ...edits,
    ],
    faceBudget,
  );
}

/** Something told of the words. */
export const ofWords = (project: Project, told?: Remark): RemarkExample => ({ project, pieceId: 'words', told });
/** Something told of the body they lie on. */
export const ofBody = (project: Project, told?: Remark): RemarkExample => ({ project, pieceId: 'body', told });
