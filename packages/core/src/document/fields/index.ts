export { ARRANGEMENT } from './arrangement.ts';
export { ALONG, EDGE, FACES, PROFILE_KNOT, profileSchema, SIDE, SOLID, SWELL, type Profile } from './body.ts';
export { CONTOURS } from '../../contours/index.ts';
export { FORMS, TURNED_KNOT } from '../../form/index.ts';
export { MODEL } from './model.ts';
export { elementSchema } from './paths.ts';
export { FINISH, GROUP_PLACEMENT, HUNG, OWN_LETTER, PIVOTS, PLACEMENT } from './piece.ts';
export { contour, depthAnchor, FIT, FONT, KERN_PAIR, PATHS, DRAWN_SHAPES, WORD_LINES, WORDS } from './words.ts';
