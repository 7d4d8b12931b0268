import { originalOf } from './copies.ts';
import { AROUND, standOf, standsOn, type StandsBy } from './kinds.ts';
import { hasOwnStep } from './linked.ts';
import type { Piece, Project } from './schema.ts';

/**
 * Id of the piece where a piece stands, instead of a place of its own; undefined where it has one. A copy that is laid
 * or led only as its source is keeps the shape that the source has from it, and stands by itself.
 */
export function groundOf(project: Pick<Project, 'pieces'>, piece: Piece): string | undefined {
  const stand = standOf(piece);
  return stand && isOwnStand(originalOf(project, piece), piece, stand) ? stand.targetId : undefined;
}

/** Whether it is said in a piece itself that it stands on another, and not only in the piece that it follows. */
export const isOwnStand = (source: Piece | undefined, piece: Piece, { stepId }: StandsBy): boolean =>
  stepId === AROUND ? !source || standsOn(source).around !== standsOn(piece).around : hasOwnStep(source, piece, stepId);
