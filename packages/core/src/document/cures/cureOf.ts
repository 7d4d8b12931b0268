import type { Remark, RemarkParams } from '../../base/index.ts';
import { isWords } from '../kinds.ts';
import type { Faces, Piece, Project } from '../schema.ts';
import { cure, type Cure } from './cure.ts';
import { cutCure } from './cutCures.ts';
import { laidCure } from './laidCures.ts';
import { PieceCures } from './pieceCures.ts';

/** What one press can do about a remark of a piece; undefined where nothing can. `freshId`: for a step that is added. */
export function cureOf(
  remark: Remark,
  piece: Piece,
  { pieces, freshId }: Pick<Project, 'pieces'> & { freshId: string },
): Cure | undefined {
  const c = new PieceCures(piece, freshId);
  switch (remark.code) {
    case 'EDGES_SCALED': {
      const depthMm = Math.ceil(remark.params.askedMm);
      return cure('RAISE', { mm: depthMm }, [{ kind: 'setSolid', pieceId: piece.id, values: { depthMm } }]);
    }
    case 'LETTERS_CROSS':
      return isWords(piece) ? cure('JOIN_LETTERS', {}, c.words({ letters: 'joined' })) : undefined;
    case 'CIRCLE_OVERFULL': {
      const { line } = isWords(piece) ? piece.source : {};
      const { neededMm: radiusMm } = remark.params;
      if (line?.kind !== 'circle') return undefined;
      return cure('RADIUS', { mm: radiusMm }, c.words({ line: { ...line, radiusMm } }));
    }
    case 'OVER_BUDGET':
      return cure('COARSER', {}, c.faces(coarser(piece.body.faces)));
    case 'MODEL_OPEN':
      return c.closed(remark.params);
    case 'ALONG_CROSSES':
      return c.curvesWithin(remark.params.finerMm);
    case 'NEED_FINER': {
      const { faces } = piece.body;
      return cure('FINER', {}, c.faces(faces.style === 'bands' ? finerBands(faces, remark.params) : { sizeMm: 0 }));
    }
    case 'RECAST_LOSES': {
      const { stepId, finerMm: mm } = remark.params;
      return mm === undefined ? undefined : cure('CELLS', { mm }, c.step(stepId, { sizeMm: mm }));
    }
    case 'REDUCE_SHORT': {
      const { stepId, left: count, percent } = remark.params;
      const sharePercent = Math.min(100, Math.ceil(10 * percent) / 10);
      return cure('KEEP_SO', {}, c.step(stepId, { count, sharePercent }));
    }
    case 'SHAPE_CROSSES':
      if (remark.params.finerMm !== undefined) return c.curvesWithin(remark.params.finerMm);
      return limited(c, remark.params);
    case 'SHAPE_FOLDS':
      return limited(c, remark.params);
    case 'SHAPE_TOUCHES':
      return c.noStronger(remark.params.stepId, remark.params.limit, true);
    case 'SHAPE_LOOSER':
      return c.curvesWithin(Math.min(MOST_TOLERANCE_MM, remark.params.fewMm));
    case 'SHAPE_STRAYS':
      return cure('FINE_AS_NEEDED', {}, c.faces({ shaped: 'fine' }));
    default:
      return laidCure(remark, c) ?? cutCure(remark, c, { pieces, freshId, cureOf });
  }
}

const limited = (c: PieceCures, { stepId, limit }: { stepId?: string; limit?: number }): Cure | undefined =>
  limit === undefined || stepId === undefined ? undefined : c.noStronger(stepId, limit);

const MOST_TOLERANCE_MM = 10;

/** Whatever makes the faces small. */
const coarser = (faces: Faces): Partial<Faces> =>
  faces.sizeMm > 0
    ? { sizeMm: Math.min(10_000, faces.sizeMm * 4) }
    : { toleranceMm: Math.min(MOST_TOLERANCE_MM, faces.toleranceMm * 4) };

const MOST_BANDS = 1000;

/** As many more bands as edges are too long; where that is too many, edges are cut as the shape needs them. */
function finerBands({ bands }: Faces, { haveMm, needMm }: RemarkParams['NEED_FINER']): Partial<Faces> {
  const more = Math.ceil((bands * haveMm) / needMm);
  return more <= MOST_BANDS ? { bands: more } : { style: 'plain' };
}
