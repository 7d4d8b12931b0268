import { letteringCaches, type LetteringCaches } from '../lettering/index.ts';
import { ByteCache, LIMITS, Memo, QuickMemo, type Result, type RunContext, type StageLog } from '../base/index.ts';
import type { ReadModel } from '../io/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { Need } from '../shape/index.ts';
import type { BodyMemos } from './bodySource.ts';
import { Cuts } from './cutting.ts';
import type { CutShape } from './cutShape.ts';
import { EdgeLines } from './edgeLines.ts';
import { FontChest, type FontTools } from './fontChest.ts';
import { Grounds } from './ground.ts';
import { meshMemos, type MeshMemos } from './meshMemos.ts';
import type { ShapedMeshes } from './shapeClusters.ts';
import { FORM } from './stages/form.ts';
import { READ_MODEL } from './stages/model.ts';
import { NEED, type Needs } from './stages/need.ts';
import { SHAPE } from './stages/shape.ts';

export interface EngineTools extends FontTools {
  cacheBytes: number;
  /** counts and times what is worked out; left out: nobody asks */
  log?: StageLog;
  /** bytes of a model by the hash of its file; left out: none is at hand */
  loadModel?(hash: string): Promise<Uint8Array | undefined>;
  /** for the rare jitter only: the same seed always gives the same mesh */
  seed?: number;
}

export interface EvaluateOptions {
  /** of the document's time; 0 unless said otherwise */
  seconds?: number;
  /** with texture coordinates, which only files need */
  uv?: boolean;
  /** looks for faces that shape steps have made cross, and tells */
  crossings?: boolean;
  /**
   * while a value is dragged: faces as fine as they were needed last, none cut where it strays, folds not looked for
   */
  preview?: boolean;
}

/** An evaluation under way. */
export interface EvaluateRun extends Required<EvaluateOptions> {
  context: RunContext;
  /** as it cuts another piece, instead of as it looks */
  cut?: CutShape;
  /** what it is remembered as, where not as the piece itself */
  keptAs?: string;
}

/** Of the cache's bytes: for meshes that steps have made. */
const REFINED_SHARE = 0.3;
/** For what is laid onto models. */
const MODEL_SHARE = 0.1;
/** For what was cut. */
const CUT_SHARE = 0.2;
/** Of lines over the edges of models. */
const LINE_BYTES = 1e7;
/** Of models that were read: two of the largest. */
const MODEL_BYTES = 2e8;
const FORM_BYTES = 2e7;
const NEED_BYTES = 1e6;
/** Every piece, also as it is before it is cut and as it cuts. */
export const KEPT_PIECES = 3 * LIMITS.pieces;

/** What all evaluations share: the stages, with all that is worth keeping of them. */
export interface EngineParts {
  tools: EngineTools;
  fonts: FontChest;
  lettering: LetteringCaches;
  bodies: BodyMemos;
  refined: MeshMemos;
  shaped: ShapedMeshes;
  grounds: Grounds;
  edges: EdgeLines;
  cuts: Cuts;
  needs: Needs;
  /** how fine steps needed the faces of pieces last */
  lastNeeds: ByteCache<readonly Need[]>;
}

export function engineParts(tools: EngineTools): EngineParts {
  const { cacheBytes, log } = tools;
  return {
    tools,
    fonts: new FontChest(tools),
    lettering: letteringCaches(cacheBytes * (1 - REFINED_SHARE - MODEL_SHARE - CUT_SHARE), log),
    bodies: {
      forms: new QuickMemo(FORM, new ByteCache<PolygonMesh>(FORM_BYTES), log),
      models: new Memo(READ_MODEL, new ByteCache<Result<ReadModel>>(MODEL_BYTES), log),
    },
    refined: meshMemos((cacheBytes * REFINED_SHARE) / 2, log),
    shaped: new QuickMemo(SHAPE, new ByteCache((cacheBytes * REFINED_SHARE) / 2), log),
    grounds: new Grounds(cacheBytes * MODEL_SHARE, log),
    edges: new EdgeLines(LINE_BYTES, log),
    cuts: new Cuts(cacheBytes * CUT_SHARE, log),
    needs: new QuickMemo(NEED, new ByteCache(NEED_BYTES), log),
    lastNeeds: new ByteCache(KEPT_PIECES),
  };
}
