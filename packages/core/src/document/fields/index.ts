export { ALONG, EDGE, FACES, profileSchema, SIDE, SOLID, SWELL, type Profile } from './body.ts';
export { FORMS, MODEL, TURNED_KNOT } from './forms.ts';
export { elementSchema } from './paths.ts';
export { FINISH, OWN_LETTER, PLACEMENT } from './piece.ts';
export {
  contour,
  CONTOURS,
  depthAnchor,
  FIT,
  FONT,
  KERN_PAIR,
  PATHS,
  DRAWN_SHAPES,
  WORD_LINES,
  WORDS,
} from './words.ts';
