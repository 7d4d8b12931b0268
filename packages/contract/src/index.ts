export * from './api.ts';
export { STATUS } from './errors.ts';
export type { HttpErrorCode, HttpErrorParams } from './errors.ts';
export { openApiDocument } from './openapi.ts';
