import { copyRecipe, parseRecipe, recipeEdits, type Piece, type RecipeChapter, type RecipeCopy } from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';

const KEY = 'fictile recipe';
/** for browsers that keep nothing */
let own: string | undefined;

/** Copied recipes go from piece to piece, from project to project, and from tab to tab of one browser. */
export function putRecipe(piece: Piece, chapters: readonly RecipeChapter[]): void {
  own = JSON.stringify(copyRecipe(piece, chapters));
  // what lay on the system's clipboard before, a drawing for one, is no longer what a paste means
  navigator.clipboard?.writeText(own).catch(() => undefined);
  try {
    localStorage.setItem(KEY, own);
  } catch {
    // no room, or not allowed: this tab still has it
  }
}

export function takeRecipe(): RecipeCopy | undefined {
  try {
    const parsed = parseRecipe(JSON.parse(localStorage.getItem(KEY) ?? own ?? 'null'));
    return parsed.ok ? parsed.value : undefined;
  } catch {
    return undefined;
  }
}

/** Gives pieces what was copied, as one step of undo. */
export function pasteRecipe(store: ProjectStore, pieces: readonly Piece[]): void {
  const copy = takeRecipe();
  if (copy) store.edit({ kind: 'many', edits: pieces.flatMap((piece) => recipeEdits(copy, piece)) });
}
