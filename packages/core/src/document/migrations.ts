/** Pure: gives a new document, and never fails on what the version before could hold. */
export type Migration = (document: unknown) => unknown;

/** MIGRATIONS[n - 1] brings version n to n + 1. Version 1 is the first. */
export const MIGRATIONS: readonly Migration[] = [];
