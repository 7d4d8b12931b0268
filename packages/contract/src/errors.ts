import type { ErrorCode } from '@fictile/core';

/** Faults that only exist over HTTP. */
export interface HttpErrorParams {
  NOT_FOUND: { what: string; id: string };
  REVISION_OLD: { base: number; newest: number };
  REQUEST_BROKEN: { path: string; why: string };
  KEY_REUSED: { key: string };
  ORIGIN_FOREIGN: { origin: string };
  ALREADY_THERE: { what: string; id: string };
  HASH_DIFFERS: { expected: string; found: string };
  CHECK_TIMED_OUT: { seconds: number };
  /** more is being read already than can wait */
  BUSY: Record<string, never>;
  DISK_FULL: Record<string, never>;
  DATABASE_DAMAGED: Record<string, never>;
  /** a revision that is kept and can't be read; older ones may be */
  REVISION_UNREADABLE: { id: string; revision: number; why: string };
  /** the project is in the bin */
  BINNED: { id: string };
  /** other files of these styles are in the case already */
  STYLE_THERE: { family: string; styles: string };
  INTERNAL: Record<string, never>;
}
export type HttpErrorCode = keyof HttpErrorParams;

/** HTTP status of every code. */
export const STATUS: Readonly<Record<ErrorCode | HttpErrorCode, number>> = {
  FONT_BROKEN: 422,
  FONT_PACKED: 422,
  FONT_UNKNOWN: 422,
  VALUE_OUT_OF_RANGE: 422,
  PROJECT_BROKEN: 422,
  PROJECT_NEWER: 422,
  SECTION_BROKEN: 422,
  MESH_BROKEN: 422,
  MODEL_UNKNOWN: 422,
  DRAWING_BROKEN: 422,
  DRAWING_EMPTY: 422,
  TOO_LARGE: 413,
  EDIT_MISPLACED: 422,
  PIECE_LOCKED: 422,
  GOES_IN_CIRCLE: 422,
  PIECE_BROKE: 500,
  CANCELLED: 409,
  NOT_FOUND: 404,
  REVISION_OLD: 409,
  REQUEST_BROKEN: 400,
  KEY_REUSED: 422,
  ORIGIN_FOREIGN: 403,
  ALREADY_THERE: 409,
  HASH_DIFFERS: 422,
  CHECK_TIMED_OUT: 422,
  BUSY: 503,
  DISK_FULL: 507,
  DATABASE_DAMAGED: 500,
  REVISION_UNREADABLE: 422,
  BINNED: 410,
  STYLE_THERE: 409,
  INTERNAL: 500,
};
