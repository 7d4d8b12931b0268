import {
  afterwards,
  FORMS,
  groupsAround,
  isForm,
  isGroup,
  newGroup,
  standingAs,
  turnedBack,
  withOtherPieces,
  withPieces,
  type Edit,
  type Group,
  type Item,
  type Piece,
  type Placement,
  type Project,
  type Transform,
} from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import { insideOf, known, type Items } from './groupActions.ts';
import { standsOf, type StandingPieces } from './standing.ts';

const freshId = (): string => crypto.randomUUID();

interface Copying {
  nameOf: (item: Item) => string;
  placeOf: (item: Item) => Partial<Placement>;
  /** the copies follow what they are made of */
  isLinked?: boolean;
}

/** What makes copies of what was chosen, with all that is in it; and their ids. */
export function copyEdits(
  project: Project,
  items: Items,
  { nameOf, placeOf, isLinked = false }: Copying,
): { edits: Edit[]; ids: string[] } {
  const chosen = new Set(items.map(({ id }) => id));
  const outer = items.filter((item) => !groupsAround(project, item).some(({ id }) => chosen.has(id)));
  const pieces = known(project, insideOf(project, outer)) as Piece[];
  const isInside = (group: Group): boolean => [group, ...groupsAround(project, group)].some(({ id }) => chosen.has(id));
  // the innermost first: each is put round copies that are there
  const groups = Object.values(project.groups)
    .filter(isInside)
    .sort((a, b) => groupsAround(project, b).length - groupsAround(project, a).length);
  const ids = new Map([...pieces, ...groups].map(({ id }) => [id, freshId()]));
  const common = <I extends Item>(item: I): I => ({
    ...item,
    id: ids.get(item.id) ?? freshId(),
    hung: item.hung && { ...item.hung, on: ids.get(item.hung.on) ?? item.hung.on },
    ...(outer.includes(item) && {
      name: nameOf(item).slice(0, 200),
      placement: { ...item.placement, ...(hungAlong(item, ids) ? {} : placeOf(item)) },
    }),
  });
  const outside = (item: Item): string => groupsAround(project, item).find((group) => !isInside(group))?.id ?? '';
  const lastOf = (item: Item): string => insideOf(project, [item]).at(-1) ?? item.id;
  const after = (piece: Piece): string =>
    lastOf([piece, ...groupsAround(project, piece).filter(isInside)].at(-1) ?? piece);
  const rows = rowsAfter(pieces, after, ids).map(({ piece, at }): Edit => {
    const copy = { ...standingOn(common(piece), ids), within: outside(piece) };
    return { kind: 'addPiece', piece: { ...copy, ...followedBy(piece, ids, isLinked) }, after: at };
  });
  const around = groups.map((group): Edit => ({
    kind: 'addGroup',
    group: common(group),
    items: [...pieces, ...groups].filter(({ within }) => within === group.id).map(({ id }) => ids.get(id) ?? id),
  }));
  return { edits: [...rows, ...around], ids: outer.map(({ id }) => ids.get(id) ?? id) };
}

/** What a copy follows: what it is made of or what that follows; of what is copied along, the copy. */
function followedBy(piece: Piece, ids: ReadonlyMap<string, string>, isLinked: boolean): Pick<Piece, 'copyOf'> {
  if (isLinked) return { copyOf: piece.copyOf ?? piece.id };
  return piece.copyOf === undefined ? {} : { copyOf: ids.get(piece.copyOf) ?? piece.copyOf };
}

/** Copies that follow what was chosen, each moved so in the scene; several in a group. Gives the ids to be chosen. */
export function linkedCopies(
  store: ProjectStore,
  items: Items,
  { motions, standing }: { motions: readonly Transform[]; standing: StandingPieces },
): string[] {
  const { project } = store;
  const nameOf = numbered(project);
  const sets = motions.map((motion) =>
    copyEdits(project, items, { isLinked: true, nameOf, placeOf: (item) => placeMoved(item, motion, standing) }),
  );
  const ids = sets.flatMap((set) => set.ids);
  // each set comes right behind what it is made of, the last one first
  const edits = sets.toReversed().flatMap((set) => set.edits);
  if (sets.length < 2) {
    store.edit({ kind: 'many', edits });
    return ids;
  }
  const group = newGroup(freshId(), texts.copies.groupOf(items[0].name).slice(0, 200), [0, 0, 0]);
  store.edit({ kind: 'many', edits: [...edits, { kind: 'addGroup', group, items: ids }] });
  return [group.id];
}

/** A name with a number that nothing has yet. */
function numbered(project: Project): (item: Item) => string {
  const taken = new Set(Object.values(project.pieces).map(({ name }) => name));
  return ({ name }) => {
    const stem = name.replace(/ \d+$/, '').slice(0, 190);
    let n = 2;
    while (taken.has(`${stem} ${n}`)) n++;
    taken.add(`${stem} ${n}`);
    return `${stem} ${n}`;
  };
}

/** Where something comes to stand that is moved in the scene. On the table it stays. */
function placeMoved(item: Item, motion: Transform, standing: StandingPieces): Partial<Placement> {
  const { atMm } = item.placement;
  const [x, y, z] = atMm.map((v, k) => rounded(v + motion.move[k]));
  const stands = standsOf(item, standing);
  if (!stands) return { atMm: [x, y, z] };
  const said = standingAs(turnedBack(stands.frame, afterwards(motion, stands.transform)), stands.pivot);
  const place = {
    atMm: said.atMm.map(rounded) as Placement['atMm'],
    turnDegrees: said.turnDegrees.map(rounded) as Placement['turnDegrees'],
    sizePercent: rounded(said.sizePercent),
  };
  if (isGroup(item)) return place;
  if (item.placement.stand === 'free') return { ...place, stand: 'free' };
  return { ...place, atMm: [place.atMm[0], y, place.atMm[2]] };
}

/** Numbers as people read them: a thousandth is less than anybody sees. */
const rounded = (value: number): number => Math.round(value * 1000) / 1000 + 0;

/** It goes along with something that is copied too. */
const hungAlong = ({ hung }: Item, ids: ReadonlyMap<string, string>): boolean => hung !== null && ids.has(hung.on);

/** Behind what its copy comes: what it is a copy of, or the copy before it of the same group. */
function rowsAfter(
  pieces: readonly Piece[],
  after: (piece: Piece) => string,
  ids: ReadonlyMap<string, string>,
): { piece: Piece; at: string }[] {
  const last = new Map<string, string>();
  return pieces.map((piece) => {
    const behind = after(piece);
    const at = last.get(behind) ?? behind;
    last.set(behind, ids.get(piece.id) ?? behind);
    return { piece, at };
  });
}

/**
 * A piece that stands on others under new ids, where those have any: copies of several stand on each other as they did.
 */
function standingOn(piece: Piece, ids: ReadonlyMap<string, string>): Piece {
  const renamed = (id: string): string => ids.get(id) ?? id;
  const steps = piece.steps.map((step) => withOtherPieces(step, renamed));
  if (!isForm(piece)) return { ...piece, steps };
  const { source } = piece;
  const form = withPieces(FORMS[source.form.kind], source.form, renamed);
  return { ...piece, steps, source: { ...source, form } };
}
