import type { Failure, Remark, StageFigure } from '../base/index.ts';
import type { MeshReport, PlaceKind } from '../check/index.ts';
import type { Project } from '../document/index.ts';
import type { ReadDrawing, Shades, SilhouetteOptions } from '../drawing/index.ts';
import type {
  DisplayBuffers,
  MovedBuffers,
  FlatFit,
  FontFacts,
  FoundLines,
  Laid,
  LaidPaint,
  LineMeasures,
  PivotSpots,
} from '../evaluate/index.ts';
import type { LetteringStats, NeedReport } from '../lettering/index.ts';
import type { Box3, Transform, Vec3 } from '../math/index.ts';
import type { MeshFormat, Paints, WriteOptions, WrittenScene } from '../io/index.ts';
import type { CaretLetter, FontRef, Letter } from '../text/index.ts';

/**
 * Version of the messages between the page and its worker; both come from one build, so it only catches a stale page.
 */
export const JOB_VERSION = 17;

/** What a worker is asked. `serial` grows from request to request. */
export type JobRequest =
  | {
      version: number;
      serial: number;
      kind: 'evaluate';
      project: Project;
      known: string[];
      faces?: string[];
      preview?: boolean;
    }
  | { version: number; serial: number; kind: 'check'; project: Project; pieceId: string }
  | { version: number; serial: number; kind: 'places'; project: Project; pieceId: string; what: PlaceKind }
  | { version: number; serial: number; kind: 'laid'; project: Project; pieceId: string; what: LaidPaint }
  | { version: number; serial: number; kind: 'fit'; project: Project; pieceId: string }
  | { version: number; serial: number; kind: 'spots'; project: Project; pieceId: string; closely: number[] }
  | { version: number; serial: number; kind: 'write'; project: Project; pieceIds: string[]; options: WriteOptions }
  | { version: number; serial: number; kind: 'readDrawing'; bytes: Uint8Array }
  | { version: number; serial: number; kind: 'silhouette'; shades: Shades; options: SilhouetteOptions }
  | { version: number; serial: number; kind: 'fontFacts'; font: FontRef; words: string; sizeMm: number }
  | { version: number; serial: number; kind: 'readBack'; bytes: Uint8Array; format: MeshFormat };

/**
 * A cluster to draw; buffers only when the page does not hold this key yet, and only what moves where it holds others
 * with the same faces.
 */
export interface ShownCluster {
  key: string;
  /** names its faces: clusters with the same differ in where their points lie */
  faces: string;
  x: number;
  y: number;
  z: number;
  /** letters of the piece by the cluster's own numbers */
  letters: number[];
  buffers: DisplayBuffers | undefined;
  moved?: MovedBuffers;
}

export type ShownLetter = CaretLetter & Pick<Letter, 'text' | 'line' | 'word'>;

export interface ShownPiece {
  pieceId: string;
  clusters: ShownCluster[];
  letters: ShownLetter[];
  transform: Transform;
  /** where its place counts from, and where its pivot is in its own space, mm */
  frame: Transform;
  pivot: Vec3;
  line: LineMeasures;
  remarks: Remark[];
  faces: number;
  quads: number;
  built: LetteringStats;
  /** before any step, and after each that was taken, by its id */
  bodyFaces: number;
  stepFaces: { id: string; faces: number }[];
  /** what shape steps need of the faces, and what they have; undefined where nothing is shaped */
  need?: NeedReport;
  /** around the piece before any step, in its own space */
  flat?: Box3;
  /** how it lies on another piece; undefined where it does on none */
  onto?: Laid;
  /** the edges of other pieces that its steps run along */
  lines?: FoundLines;
  /** a model's own materials; only where the page does not hold this key yet */
  paints?: { key: string; paints: Paints | undefined };
}

/**
 * Copies in which nothing is changed: each as another piece, but for where it stands. Numbers in one row, since a
 * thousand small records take longer on the way than all that they say.
 */
export interface ShownCopies {
  /** ids of the copies, and of the pieces that they are like */
  ids: string[];
  like: string[];
  /** 27 a copy: rows and move of its transform, of its frame, and its pivot */
  places: Float64Array;
  /** by the id of a copy, where other things are told of it than of what it is like */
  remarks: Record<string, Remark[]>;
}

/** What an evaluation took. */
export interface WorkFigures {
  milliseconds: number;
  /** by stage, those that took longest first */
  stages: StageFigure[];
  /** threads that worked on it, this one and its crew */
  threads: number;
  /** of all that is kept for the next one */
  heldBytes: number;
}

export type JobAnswer =
  | ({
      kind: 'evaluated';
      pieces: ShownPiece[];
      copies: ShownCopies;
      /** by the id of a group: where its place counts from */
      groups: Record<string, Transform>;
      failures: { pieceId: string; error: Failure }[];
    } & WorkFigures)
  | { kind: 'spots'; pieceId: string; spots: PivotSpots }
  | { kind: 'checked'; pieceId: string; report: MeshReport; crossing: Remark[] }
  | { kind: 'placed'; pieceId: string; triangles: Float32Array; values?: Float32Array }
  | { kind: 'fit'; pieceId: string; fit: FlatFit | undefined }
  | ({ kind: 'written' } & Omit<WrittenScene, 'meshes'>)
  | { kind: 'readBack'; names: string[]; finishes: string[]; report: MeshReport }
  | { kind: 'drawing'; drawing: ReadDrawing }
  | { kind: 'fontFacts'; facts: FontFacts }
  | { kind: 'failed'; error: Failure }
  | { kind: 'crashed'; message: string };

export type JobReply =
  | { serial: number; kind: 'progress'; share: number }
  | { serial: number; kind: 'answer'; answer: JobAnswer }
  /** what it needs could not be loaded: it will never answer */
  | { kind: 'unstarted'; message: string };
