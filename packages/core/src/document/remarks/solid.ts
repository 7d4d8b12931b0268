import { cure } from './cure.ts';
import { note, warning, type RemarkDefinitions } from './definition.ts';

type SolidCode =
  | 'FLAT_SHEET'
  | 'EDGES_SCALED'
  | 'SIDE_LEFT_STRAIGHT'
  | 'SECTION_CROSSES'
  | 'LIGHTER_VANISHES'
  | 'LIGHTER_BREAKS'
  | 'ALONG_CROSSES'
  | 'EDGE_TOO_FINE'
  | 'EDGE_MEETS'
  | 'EDGE_JITTERED'
  | 'EDGE_OPENED'
  | 'EDGE_NARROWED'
  | 'LETTER_LEFT_OUT';

/** Of edges, sides and depth. */
export const SOLID_REMARKS: RemarkDefinitions<SolidCode> = {
  FLAT_SHEET: { ...note('solid'), isOpen: true },
  EDGES_SCALED: warning('solid', ({ askedMm }, c) => {
    const depthMm = Math.ceil(askedMm);
    return cure('RAISE', { mm: depthMm }, [{ kind: 'setSolid', pieceId: c.piece.id, values: { depthMm } }]);
  }),
  SIDE_LEFT_STRAIGHT: warning('solid'),
  SECTION_CROSSES: warning('solid'),
  LIGHTER_VANISHES: warning('solid'),
  LIGHTER_BREAKS: warning('solid'),
  ALONG_CROSSES: warning('solid', ({ finerMm }, c) => c.curvesWithin(finerMm)),
  EDGE_TOO_FINE: warning('solid'),
  EDGE_MEETS: note('solid'),
  EDGE_JITTERED: note('solid'),
  EDGE_OPENED: warning('solid'),
  EDGE_NARROWED: warning('solid'),
  LETTER_LEFT_OUT: warning('solid'),
};
