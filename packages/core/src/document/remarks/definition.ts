import type { Remark, RemarkCode, RemarkParams } from '../../base/index.ts';
import type { RecipeChapter } from '../recipes.ts';
import type { Piece, Project } from '../schema.ts';
import type { Cure } from './cure.ts';
import type { PieceCures } from './pieceCures.ts';

/** Only said; something wants to be done; or what was asked for is not there, however sound the mesh is. */
export type Tone = 'note' | 'warning' | 'missing';

/** What cures look at beside the piece itself. */
export interface CureAround {
  pieces: Project['pieces'];
  /** for a step that is added */
  freshId: string;
  /** of what is told of another piece */
  cureOf(remark: Remark, piece: Piece, around: Omit<CureAround, 'cureOf'>): Cure | undefined;
}

type CureOf<C extends RemarkCode> = (params: RemarkParams[C], c: PieceCures, around: CureAround) => Cure | undefined;

/** All that there is to a code, but for what languages say of it. */
export interface RemarkDefinition<C extends RemarkCode> {
  /** of the recipe, where it stands */
  chapter: RecipeChapter;
  tone: Tone | ((params: RemarkParams[C]) => Tone);
  /** the mesh is open, so that one looks at both of its sides */
  isOpen?: boolean;
  /** it is told of a file, where pieces are as they were */
  isOfFile?: boolean;
  /** what is made is not what was asked for at all */
  inVain?: boolean | ((params: RemarkParams[C]) => boolean);
  /** what one press can do about it */
  cure?: CureOf<C> | undefined;
}

export type RemarkDefinitions<C extends RemarkCode = RemarkCode> = { readonly [K in C]: RemarkDefinition<K> };

const toned =
  (tone: Tone) =>
  <C extends RemarkCode>(chapter: RecipeChapter, cure?: CureOf<C>): RemarkDefinition<C> => ({ chapter, tone, cure });

export const note = toned('note');
export const warning = toned('warning');
export const missing = toned('missing');
