import { usualPlacement } from './defaults.ts';
import { usualSlots } from './finishes.ts';

/** Pure: gives a new document, and never fails on what the version before could hold. */
export type Migration = (document: unknown) => unknown;

type Plain = Record<string, unknown>;

/** Pieces get a place and finishes: those that version 1 was drawn with. */
function toVersion2(document: unknown): unknown {
  const { pieces, ...rest } = document as Plain;
  const moved = Object.fromEntries(
    Object.entries((pieces ?? {}) as Plain).map(([id, piece]) => [
      id,
      { ...(piece as Plain), placement: usualPlacement(), slots: usualSlots() },
    ]),
  );
  return { ...rest, schemaVersion: 2, pieces: moved };
}

/** MIGRATIONS[n - 1] brings version n to n + 1. Version 1 is the first. */
export const MIGRATIONS: readonly Migration[] = [toVersion2];
