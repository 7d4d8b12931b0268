import { finerFaces } from '../../faces/index.ts';
import { rangeOf } from '../../fields/index.ts';
import { FACES } from '../fields/index.ts';
import type { Faces } from '../schema.ts';
import { cure } from './cure.ts';
import { warning, type RemarkDefinitions } from './definition.ts';

type FacesCode = 'FACES_PLAIN' | 'OVER_BUDGET' | 'NEED_FINER' | 'NEED_OVER_BUDGET' | 'ROUNDING_COLLAPSED';

/** Of how faces are cut. */
export const FACES_REMARKS: RemarkDefinitions<FacesCode> = {
  FACES_PLAIN: warning('faces'),
  OVER_BUDGET: warning('faces', (_, c) => cure('COARSER', {}, c.faces(coarser(c.piece.body.faces)))),
  NEED_FINER: warning('faces', (told, c) => cure('FINER', {}, c.faces(finerFaces(c.piece.body.faces, told)))),
  NEED_OVER_BUDGET: warning('faces'),
  ROUNDING_COLLAPSED: { ...warning('faces'), isOfFile: true },
};

const MOST_TOLERANCE_MM = rangeOf(FACES.toleranceMm).max;
const MOST_SIZE_MM = rangeOf(FACES.sizeMm).max;

/** Whatever makes the faces small. */
const coarser = (faces: Faces): Partial<Faces> =>
  faces.sizeMm > 0
    ? { sizeMm: Math.min(MOST_SIZE_MM, faces.sizeMm * 4) }
    : { toleranceMm: Math.min(MOST_TOLERANCE_MM, faces.toleranceMm * 4) };
