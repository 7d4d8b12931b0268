import type { StepWords } from '../../stepWords.ts';
import { FACES_WORDS } from './faces.ts';
import { PIECES_WORDS } from './pieces.ts';
import { SHAPE_WORDS } from './shape.ts';

/** What English says of every kind of step. */
export const STEP_WORDS: Readonly<Record<string, StepWords>> = { ...FACES_WORDS, ...SHAPE_WORDS, ...PIECES_WORDS };
