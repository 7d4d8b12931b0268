import type { Failure, Project, ShownPiece } from '@fictile/core';
import { GeometryShelf } from '../viewport/index.ts';
import { JobClient } from '../worker/index.ts';
export interface Evaluation {
  pieces: readonly ShownPiece[];
  failures: readonly {
    pieceId: string;
    error: Failure;
  }[];
  milliseconds: number;
  busy: boolean;
  crashed: boolean;
}
/** Marks for the bench: from the change of a document to its mesh at the renderer. */
export declare const MEASURE = 'edit to mesh';
/** Keeps the meshes of a project up to date: asks the worker at every change; the last good result stays until the next is there. */
export declare function useEvaluation(project: Project): {
  evaluation: Evaluation;
  shelf: GeometryShelf;
  client: JobClient | undefined;
};
//# sourceMappingURL=useEvaluation.d.ts.map
