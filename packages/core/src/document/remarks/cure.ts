import type { RemarkParams } from '../../base/index.ts';
import type { Unit } from '../../fields/index.ts';
import type { Edit } from '../edits.ts';

/** What a cure does, with the values that its button says. */
export interface CureParams {
  RAISE: { mm: number };
  JOIN_LETTERS: Record<string, never>;
  /** of a cut */
  DEPTH: { mm: number };
  RADIUS: { mm: number };
  SIZE: { mm: number };
  COARSER: Record<string, never>;
  FINER: Record<string, never>;
  FINE_AS_NEEDED: Record<string, never>;
  CURVES_WITHIN: { mm: number };
  CELLS: { mm: number };
  /** of a step; in degrees, or in the unit that it counts in */
  STRENGTH: { value: number; unit: Unit | '' };
  CLOSE_HOLES: Record<string, never>;
  JOIN_POINTS: Record<string, never>;
  MAKE_SOLID: Record<string, never>;
  FACE_OUTWARD: Record<string, never>;
  FEWER_FACES: { triangles: number };
  KEEP_SO: Record<string, never>;
  /** of letters, or of parts that hang on nothing */
  LEAVE_OUT: Record<string, never>;
  TAKE_AWAY: Record<string, never>;
  MOVE_IN: { mm: number };
  HANG_ON_WHOLE: Record<string, never>;
  HOLD_NEAREST: Record<string, never>;
  HOLD_MIDDLE: Record<string, never>;
  LAY: { method: 'flat' | 'round' | 'direction' };
  BEND_LETTERS: Record<string, never>;
  /** below zero it sinks */
  LIFT: { mm: number };
  /** a piece that was elsewhere, onto this one */
  LAY_ON: Record<string, never>;
  BRING: Record<string, never>;
  MOVE_A_LITTLE: { mm: number };
  MAKE_ROOM: Record<string, never>;
  RIM: { mm: number };
  SHARP_RIM: Record<string, never>;
  NO_RING: Record<string, never>;
}
export type CureCode = keyof CureParams;

type CureSays = { [C in CureCode]: { what: C; params: CureParams[C] } }[CureCode];

/** What one press does about a remark. */
export type Cure = CureSays & { edits: Edit[] };

export const cure = <C extends CureCode>(what: C, params: CureParams[C], edits: Edit[]): Cure =>
  ({ what, params, edits }) as unknown as Cure;

/** Holes that nobody has tried to close yet. */
export const canClose = ({ openEdges, isClosed }: RemarkParams['MODEL_OPEN']): boolean => openEdges > 0 && !isClosed;
