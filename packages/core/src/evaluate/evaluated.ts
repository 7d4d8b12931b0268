import type { Remark } from '../base/index.ts';
import { isWords, type Piece } from '../document/index.ts';
import type { Paints } from '../io/index.ts';
import type { BuiltCluster, LetteringStats, NeedReport } from '../lettering/index.ts';
import { STILL, type Box3, type Transform } from '../math/index.ts';
import type { Target } from '../surface/index.ts';
import type { Letter } from '../text/index.ts';
import type { FoundLines } from './foundLines.ts';
import type { Laid } from './ontoReport.ts';
import { frontOf } from './pieceShape.ts';
import { pieceTransform } from './placement.ts';
import type { Pull } from './pullable.ts';
import type { StepRun } from './runSteps.ts';

/** A piece as computed: its clusters with their letters, and what is to be told. Lengths in mm. */
export interface Evaluated {
  pieceId: string;
  clusters: BuiltCluster[];
  letters: Letter[];
  /** where the piece stands in the scene */
  transform: Transform;
  /** where what is said of its place counts from: that with which it goes along */
  frame: Transform;
  /** for what is drawn on letters */
  line: LineMeasures;
  remarks: Remark[];
  /** what shape steps need of the faces, and what they have; undefined where nothing is shaped */
  need?: NeedReport;
  /** how it lies on another piece; undefined where it does on none */
  onto?: Laid;
  /** the surface of that one */
  ground?: Target;
  /** materials that a model keeps, with a name for all of them */
  paints?: Paints & { key: string };
  /** the edges of other pieces that its steps run along */
  lines?: FoundLines;
  /** around the piece before any step, in its own space; undefined where nothing is built */
  flat?: Box3;
  built: LetteringStats;
  /** faces before any step, and after each that was taken */
  bodyFaces: number;
  stepFaces: StepRun['faces'];
  /** what shape steps that come last, with other values, would only move */
  pull?: Pull;
}

/** Heights that a caret needs, mm, in the piece's own space. */
export interface LineMeasures {
  /** of a line above its baseline, and (negative) below it */
  up: number;
  down: number;
  baselines: number[];
  /** depth of the front */
  front: number;
}

/** A piece of which only what is told of it can be shown. */
export const withoutSolid = (piece: Piece, why: Remark): Evaluated => ({
  pieceId: piece.id,
  clusters: [],
  letters: [],
  frame: STILL,
  transform: pieceTransform(piece.placement, { clusters: [], letters: [] }),
  line: { up: isWords(piece) ? piece.source.sizeMm : 0, down: 0, baselines: [], front: frontOf(piece) },
  remarks: [why],
  built: { clusters: 0, wavefronts: 0, lifted: 0 },
  bodyFaces: 0,
  stepFaces: [],
});
