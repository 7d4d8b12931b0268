import { createSafeContext } from '@mantine/core';
import type { Failure, Piece, Project, ShownPiece } from '@fictile/core';
import type { Chosen, PieceActions } from '../pieces/index.ts';
import type { Pivoting } from '../pivots/index.ts';
import type { PutActs } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import type { Carrying, GeometryShelf } from '../viewport/index.ts';
import type { JobClient } from '../worker/index.ts';
import type { Drawings } from './useDrawings.tsx';
import type { Evaluation } from './useEvaluation.ts';
import type { MarksState } from './useMarks.ts';
import type { Models } from './useModels.tsx';
import type { Open } from './useOpen.ts';
import type { TypingState } from './useTyping.ts';

// What the parts of the workshop share, by concern. Each part takes what it needs from here, and is told nothing.

/** The document, and what was refused of the last edit. */
interface DocumentBench {
  store: ProjectStore;
  project: Project;
  refusal: Failure | undefined;
}

/** Which pieces and letters are worked on. */
interface ChoiceBench {
  chosen: Chosen;
  /** the piece at work */
  lead: Piece | undefined;
  typing: TypingState;
  /** graphemes or colours of the piece at work */
  picked: readonly number[];
}

/** What is built of the document. */
interface Meshes {
  evaluation: Evaluation;
  shelf: GeometryShelf;
  client: JobClient | undefined;
  /** the piece at work, as it is built */
  shown: ShownPiece | undefined;
  /** the last life of this page ended while it built this: nothing is built until it is asked for */
  isHeld: boolean;
  build: () => void;
}

/** What is tried out and not in the document yet. */
interface Trials {
  /** the document as it would be */
  project: Project;
  acts: PutActs;
  /** a piece on its way onto a body */
  carrying: Carrying | undefined;
}

/** What can be done beyond values of the recipe. */
interface Acts {
  actions: PieceActions;
  drawings: Drawings;
  models: Models;
  marks: MarksState;
  pivoting: Pivoting;
  /** fits the words at work into the flat place they lie on */
  fit: () => void;
  /** lays them from where the camera stands */
  lookFrom: () => void;
}

export const [DocumentContext, useDocument] = createSafeContext<DocumentBench>('no document here');
export const [OpenContext, useOpenParts] = createSafeContext<Open>('nothing can be opened here');
export const [ChoiceContext, useChoice] = createSafeContext<ChoiceBench>('nothing can be chosen here');
export const [MeshesContext, useMeshes] = createSafeContext<Meshes>('nothing is built here');
export const [TrialsContext, useTrials] = createSafeContext<Trials>('nothing is tried here');
export const [ActsContext, useActs] = createSafeContext<Acts>('nothing can be done here');
