export { parseBoundedJson } from './boundedJson.ts';
export type { JsonBounds } from './boundedJson.ts';
export { ByteCache } from './byteCache.ts';
export { shareLarge, shareOut, type Crew } from './crew.ts';
export { remark } from './codes.ts';
export type {
  CutFault,
  DrawingSkip,
  ErrorCode,
  ErrorParams,
  LaidBetter,
  MeshFault,
  Remark,
  RemarkCode,
  RemarkParams,
} from './codes.ts';
export { finerTolerance } from './finerTolerance.ts';
export { textHash } from './hash.ts';
export { crc32 } from './crc32.ts';
export { keptBy } from './keptBy.ts';
export { OnceBy } from './onceBy.ts';
export { LIMITS } from './limits.ts';
export { ownEntry } from './own.ts';
export { seededRandom } from './random.ts';
export { fail, isCancelled, isNewer, isTooLarge, MISSING_PART, ok, unwrap } from './result.ts';
export type { Failure, Result } from './result.ts';
export { quietContext, Stopped } from './runContext.ts';
export type { RunContext } from './runContext.ts';
export { parseQuantity } from './quantity.ts';
export type { QuantityKind } from './quantity.ts';
export { keyHash, sha256Hex } from './sha256.ts';
export { shared, sharedDoubles, sharedFloats } from './sharedRows.ts';
export { counted, StageLog, type StageFigure } from './stageLog.ts';
export { utf8Bytes, utf8Text } from './utf8.ts';
export { MM_PER, parseLength } from './units.ts';
export type { LengthUnit } from './units.ts';
export type { Carver } from './carver.ts';
export type { LoadUnpacker, Packing, Simplifier, TangentMaker, WriteTools } from './simplifier.ts';
export {
  keyOf,
  Memo,
  shortKeyOf,
  QuickMemo,
  spelled,
  type Named,
  type QuickStage,
  type Stage,
  type StageRow,
} from './memo.ts';
