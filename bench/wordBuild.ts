import {
  applyEdit,
  checkMesh,
  Engine,
  newPiece,
  newProject,
  pieceMesh,
  quietContext,
  splitGraphemes,
  unwrap,
  type Faces,
  type Kernels,
  type MeshReport,
  type RemarkCode,
  type Solid,
  type Step,
  type Words,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';

/** Several letters with one solid, and what is done to them. */
export interface WordAsked {
  text: string;
  words: Partial<Words>;
  solid: Partial<Solid>;
  faces?: Partial<Faces>;
  steps?: readonly Step[];
}

export interface WordBuilt {
  report: MeshReport;
  remarks: RemarkCode[];
}

/** Builds words as the application does, and judges them. */
export function wordBuilder(kernels: Kernels): (asked: WordAsked) => Promise<WordBuilt> {
  const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 64e6 });
  return async ({ text, words, solid, faces = {}, steps = [] }) => {
    const start = newProject('p', 'p', [newPiece('a', 'a', splitGraphemes(text))]);
    const project = applyEdit(start, {
      kind: 'many',
      edits: [
        { kind: 'setWords', pieceId: 'a', values: words },
        { kind: 'setSolid', pieceId: 'a', values: solid },
        { kind: 'setFaces', pieceId: 'a', values: faces },
        { kind: 'setSteps', pieceId: 'a', steps },
      ],
    });
    const evaluated = unwrap(await engine.evaluate(unwrap(project), 'a', quietContext));
    return { report: checkMesh(pieceMesh(evaluated)), remarks: evaluated.remarks.map(({ code }) => code) };
  };
}
