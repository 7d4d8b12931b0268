import { keptBy, ownEntry } from '../base/index.ts';
import { changesOf, isAlike, ownSideOf, withChanges, withSoundChanges, type Changes } from './linked.ts';
import { namedAfter } from './names.ts';
import type { LinkedCopy, Piece, Project, ProjectDocument } from './schema.ts';

/** A linked copy, with the id of its source. */
export type CopyPiece = Piece & { copyOf: string };

export const isCopy = (piece: Piece): piece is CopyPiece => piece.copyOf !== undefined;

/** The piece that a copy follows; undefined for what is no copy. */
export const originalOf = ({ pieces }: Pick<Project, 'pieces'>, piece: Piece): Piece | undefined =>
  piece.copyOf === undefined ? undefined : ownEntry(pieces, piece.copyOf);

/** Those that follow a piece, in their order. */
export const copiesOf = ({ pieces, pieceOrder }: Pick<Project, 'pieces' | 'pieceOrder'>, pieceId: string): Piece[] =>
  pieceOrder.map((id) => pieces[id]).filter(({ copyOf }) => copyOf === pieceId);

interface KeptCopy {
  source: Piece;
  copy: LinkedCopy;
  piece: Piece;
}

/** A copy as documents keep it and as it is worked on, by either: what does not change stays the same object. */
const keptByPiece = new WeakMap<Piece, KeptCopy>();
const keptByCopy = new WeakMap<LinkedCopy, KeptCopy>();

function keep(kept: KeptCopy): KeptCopy {
  keptByPiece.set(kept.piece, kept);
  keptByCopy.set(kept.copy, kept);
  return kept;
}

function foldedCopy(source: Piece, piece: CopyPiece): LinkedCopy {
  const known = keptByPiece.get(piece);
  if (known?.source === source) return known.copy;
  const { copyOf } = piece;
  return keep({ source, piece, copy: { ...ownSideOf(piece), copyOf, changes: changesOf(source, piece) } }).copy;
}

/** A document as it is kept: of copies only what is their own. */
export const asDocument = keptBy((project: Project): ProjectDocument => {
  const copies: Record<string, LinkedCopy> = {};
  const pieces: Record<string, Piece> = {};
  for (const [id, piece] of Object.entries(project.pieces)) {
    const source = originalOf(project, piece);
    if (source && isCopy(piece)) copies[id] = foldedCopy(source, piece);
    else pieces[id] = piece;
  }
  return { ...project, pieces, ...(Object.keys(copies).length > 0 && { copies }) };
});

/** Copies complete; they share with their sources what they have alike. Without those whose source is missing. */
export function asProject({ copies = {}, ...document }: ProjectDocument): Project {
  const pieces: Record<string, Piece> = { ...document.pieces };
  for (const [id, copy] of Object.entries(copies)) {
    const source = ownEntry(document.pieces, copy.copyOf);
    if (!source) continue;
    const known = keptByCopy.get(copy);
    const { changes, ...own } = copy;
    pieces[id] =
      known?.source === source
        ? known.piece
        : keep({ source, copy, piece: withChanges(source, own, changes as Changes) }).piece;
  }
  return { ...document, pieces };
}

/**
 * After an edit every copy is its source with what differed in the copy: what was changed in it, then or before, stays
 * its own. Where a source is gone, its first copy takes its place for the others.
 */
export function followed(before: Project, after: Project): Project {
  const copies = Object.values(after.pieces).filter(isCopy);
  if (copies.length === 0) return after;
  const left = copies.filter(({ copyOf }) => !ownEntry(after.pieces, copyOf));
  const heirs = heirsIn(after, left);
  const pieces = { ...after.pieces };
  for (const copy of copies) {
    const heir = heirs.get(copy.copyOf);
    pieces[copy.id] =
      heir === copy ? withoutSource(copy) : followedCopy(before, after, heir ? { ...copy, copyOf: heir.id } : copy);
  }
  const isSame = copies.every(({ id }) => pieces[id] === after.pieces[id]);
  return isSame ? after : { ...after, pieces };
}

/** By the id of a source that is gone: the first of its copies. */
function heirsIn(project: Project, copies: readonly CopyPiece[]): ReadonlyMap<string, Piece> {
  const places = new Map(project.pieceOrder.map((id, i) => [id, i]));
  const inOrder = [...copies].sort((a, b) => (places.get(a.id) ?? 0) - (places.get(b.id) ?? 0));
  return new Map(inOrder.reverse().map((copy) => [copy.copyOf, copy]));
}

function followedCopy(before: Project, after: Project, copy: CopyPiece): Piece {
  const source = ownEntry(after.pieces, copy.copyOf) ?? copy;
  const was = ownEntry(before.pieces, copy.copyOf);
  if (was === source && ownEntry(before.pieces, copy.id) === copy) return copy;
  if (isAlike(source, copy)) return copy;
  const differed = changesOf(was ?? source, copy);
  // what an edit says of the copy itself is refused where it can't be; what the source no longer bears is left out
  const made = (was === source ? withChanges : withSoundChanges)(source, copy, differed);
  const name = was && was !== source ? nameFollowing(made, was, source) : copy.name;
  const next = name === copy.name ? made : { ...made, name };
  const kept = name === copy.name && isAlike(source, next) ? keptByPiece.get(copy)?.copy : undefined;
  // what says as little as before is kept as before
  if (kept && Object.keys(kept.changes).length === 0) keep({ source, copy: kept, piece: next });
  return next;
}

/** With the words of the source goes a name that was theirs; the number behind it stays. */
function nameFollowing({ name, source: own }: Piece, { source: was }: Piece, { source: is }: Piece): string {
  if (own.kind !== 'words' || was.kind !== 'words' || is.kind !== 'words') return name;
  if (was.graphemes === is.graphemes || own.graphemes !== is.graphemes) return name;
  const next = namedAfter(name, was.graphemes, is.graphemes);
  return next === name ? name : next + (/ \d+$/.exec(name)?.[0] ?? '');
}

export function withoutSource({ copyOf: _, ...piece }: Piece): Piece {
  return piece;
}
