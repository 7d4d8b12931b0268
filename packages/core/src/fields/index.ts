export * from './field.ts';
export * from './make.ts';
export { counts, fieldAt, flagOf, lettersIn, rangeOf, withPieces } from './look.ts';
export * from './parts.ts';
export * from './curve.ts';
export * from './lines.ts';
export { fieldsByKind, ofKind } from './listed.ts';
