/** At a place of a row so many are taken out, and others put in. */
export interface Splice {
  at: number;
  remove: number;
  insert: string[];
}

/** More comparisons than this are not made: then all between the ends that are alike counts as new. */
const MOST_COMPARED = 1_000_000;

/**
 * The splice that turns the old row into the new one: what is alike at both ends stays. For a text field that only
 * tells its whole new text.
 */
export function spliceBetween(before: readonly string[], after: readonly string[]): Splice {
  let start = 0;
  while (start < before.length && start < after.length && before[start] === after[start]) start++;
  let end = 0;
  while (
    end < before.length - start &&
    end < after.length - start &&
    before[before.length - 1 - end] === after[after.length - 1 - end]
  )
    end++;
  return { at: start, remove: before.length - start - end, insert: after.slice(start, after.length - end) };
}

/**
 * The splices that turn the old row into the new one and leave alone all that a longest common row proves to have
 * stayed, to be made one after the other. For a text that was replaced as a whole.
 */
export function splicesBetween(before: readonly string[], after: readonly string[]): Splice[] {
  const { at, remove, insert } = spliceBetween(before, after);
  if (remove === 0 || insert.length === 0 || remove * insert.length > MOST_COMPARED)
    return remove + insert.length === 0 ? [] : [{ at, remove, insert }];
  const old = before.slice(at, at + remove);
  const lengths = commonLengths(old, insert);
  const splices: Splice[] = [];
  let [i, j] = [0, 0];
  let place = at;
  while (i < old.length || j < insert.length) {
    if (i < old.length && j < insert.length && old[i] === insert[j]) {
      i++;
      j++;
      place++;
      continue;
    }
    const splice: Splice = { at: place, remove: 0, insert: [] };
    while ((i < old.length || j < insert.length) && !(i < old.length && j < insert.length && old[i] === insert[j])) {
      if (j === insert.length || (i < old.length && lengths[i + 1][j] >= lengths[i][j + 1])) {
        splice.remove++;
        i++;
      } else splice.insert.push(insert[j++]);
    }
    place += splice.insert.length;
    splices.push(splice);
  }
  return splices;
}

/** The same as edits of a piece's words. */
export const spliceEdits = (
  pieceId: string,
  before: readonly string[],
  after: readonly string[],
): (Splice & { kind: 'spliceWords'; pieceId: string })[] =>
  splicesBetween(before, after).map((splice) => ({ kind: 'spliceWords', pieceId, ...splice }));

/** Length of the longest common row of the ends from i and j on. */
function commonLengths(a: readonly string[], b: readonly string[]): Uint32Array[] {
  const lengths = Array.from({ length: a.length + 1 }, () => new Uint32Array(b.length + 1));
  for (let i = a.length - 1; i >= 0; i--)
    for (let j = b.length - 1; j >= 0; j--)
      lengths[i][j] = a[i] === b[j] ? lengths[i + 1][j + 1] + 1 : Math.max(lengths[i + 1][j], lengths[i][j + 1]);
  return lengths;
}
