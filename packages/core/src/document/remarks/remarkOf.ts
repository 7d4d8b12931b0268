import type { Remark } from '../../base/index.ts';
import type { RecipeChapter } from '../recipes.ts';
import type { Piece } from '../schema.ts';
import type { Cure } from './cure.ts';
import type { CureAround, RemarkDefinition, Tone } from './definition.ts';
import { REMARKS } from './list.ts';
import { PieceCures } from './pieceCures.ts';

type AnyDefinition = RemarkDefinition<Remark['code']>;
const definitionOf = ({ code }: Remark): AnyDefinition => REMARKS[code] as AnyDefinition;

export const chapterOf = ({ code }: Pick<Remark, 'code'>): RecipeChapter => REMARKS[code].chapter;

export function toneOf(remark: Remark): Tone {
  const { tone } = definitionOf(remark);
  return typeof tone === 'function' ? tone(remark.params) : tone;
}

/** Whether the mesh is open, so that one looks at both of its sides. */
export const isOpenMesh = (remark: Remark): boolean => definitionOf(remark).isOpen === true;

/** Whether it is told of a file, where pieces are as they were. */
export const isOfFile = (remark: Remark): boolean => definitionOf(remark).isOfFile === true;

/** Whether what is made is not what was asked for at all. */
export function isInVain(remark: Remark): boolean {
  const { inVain = false } = definitionOf(remark);
  return typeof inVain === 'function' ? inVain(remark.params) : inVain;
}

/**
 * What one press can do about a remark of a piece; undefined where nothing can. `freshId`: for a step that is added.
 */
export const cureOf = (remark: Remark, piece: Piece, around: Omit<CureAround, 'cureOf'>): Cure | undefined =>
  definitionOf(remark).cure?.(remark.params as never, new PieceCures(piece, around.freshId), { ...around, cureOf });
