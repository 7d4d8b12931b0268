import { deepEqual } from 'fast-equals';
import { ownEntry } from '../base/index.ts';
import { isOfWords, ownIds } from './kinds.ts';
import { isRecord } from './patches.ts';
import { pieceSchema, type Piece } from './schema.ts';

/**
 * In what a linked copy differs from its source: values by JSON pointers (RFC 6901) into the piece; steps go by their
 * ids instead of their numbers. A row of steps that has others, or in another order, is kept as a `StepOrder`.
 */
export type Changes = Readonly<Record<string, unknown>>;

interface StepOrder {
  /** ids of all steps of the copy */
  order: string[];
  /** ids of steps of the source that the copy has not */
  without: string[];
}

/** What is each piece's own, whatever it follows. */
type OwnKey = 'id' | 'name' | 'visible' | 'locked' | 'within' | 'hung' | 'placement' | 'copyOf';

type PlainTree = Readonly<Record<string, unknown>>;

const FOLLOWED = ['role', 'source', 'body', 'slots', 'steps'] as const satisfies Exclude<keyof Piece, OwnKey>[];

/** Whether two pieces are made of the very same values, which copies are as long as nothing is changed in them. */
export const isAlike = (a: Piece, b: Piece): boolean => FOLLOWED.every((key) => a[key] === b[key]);

export function changesOf(source: Piece, copy: Piece): Changes {
  if (isAlike(source, copy)) return {};
  const changes: Record<string, unknown> = {};
  collect(changes, '', [asTree(source), asTree(copy)]);
  if (STEPS_PATH in changes || !deepEqual(idsOf(source), idsOf(copy))) {
    const order = idsOf(copy);
    changes[STEPS_PATH] = { order, without: idsOf(source).filter((id) => !order.includes(id)) } satisfies StepOrder;
  }
  return isOfOwnText(changes) ? withOwnText(changes, copy) : changes;
}

const STEPS_PATH = '/steps';
const TEXT_PATH = '/source/graphemes';

const idsOf = ({ steps }: Piece): string[] => steps.map(({ id }) => id);

/** What is followed of a piece, with its steps by their ids. */
const asTree = (piece: Piece): PlainTree => ({
  ...Object.fromEntries(FOLLOWED.map((key) => [key, piece[key]])),
  steps: Object.fromEntries(piece.steps.map((step) => [step.id, step])),
});

const escaped = (key: string): string => key.replace(/~/g, '~0').replace(/\//g, '~1');
const segmentsOf = (pointer: string): string[] =>
  pointer
    .split('/')
    .slice(1)
    .map((key) => key.replace(/~1/g, '/').replace(/~0/g, '~'));

function collect(into: Record<string, unknown>, path: string, [from, to]: readonly [unknown, unknown]): void {
  if (Object.is(from, to) || (Array.isArray(to) && deepEqual(from, to))) return;
  if (!isRecord(from) || !isRecord(to) || !isOfOneKind(from, to, path)) {
    into[path] = to;
    return;
  }
  for (const [key, value] of Object.entries(to)) {
    const inside = `${path}/${escaped(key)}`;
    if (Object.hasOwn(from, key)) collect(into, inside, [from[key], value]);
    else into[inside] = value;
  }
}

/** Records of one kind that lack nothing which the other has; a row of steps says itself what it lacks. */
const isOfOneKind = (from: PlainTree, to: PlainTree, path: string): boolean =>
  from.kind === to.kind && (path === STEPS_PATH || Object.keys(from).every((key) => Object.hasOwn(to, key)));

/** Letters go by numbers that their text gives: with a text of its own comes all that is said of its letters. */
const isOfOwnText = (changes: Changes): boolean => Object.hasOwn(changes, TEXT_PATH);

function withOwnText(changes: Changes, { source }: Piece): Changes {
  if (!isOfWords(source)) return changes;
  const others = Object.entries(changes).filter(([path]) => !/^\/source\/(graphemes|nextId|own)(\/|$)/.test(path));
  const { graphemes, nextId, own } = source;
  return {
    ...Object.fromEntries(others),
    [TEXT_PATH]: graphemes,
    '/source/nextId': nextId,
    '/source/own': own,
  };
}

/** A copy's own side with all that its source says, but for what is changed; what can't be put anywhere is left out. */
export function withChanges(source: Piece, own: Pick<Piece, OwnKey>, changes: Changes): Piece {
  const copy = { ...source, ...ownSideOf(own) };
  const paths = Object.keys(changes).sort((a, b) => a.length - b.length);
  if (paths.length === 0) return copy;
  const steps = stepOrder(source, changes);
  const tree = paths
    .filter((path) => path !== STEPS_PATH)
    .reduce<unknown>((so, path) => put(so, segmentsOf(path), changes[path]), asTree(source)) as Piece;
  const byId = tree.steps as unknown as Record<string, Piece['steps'][number]>;
  const changed: Piece = { ...copy, ...tree, steps: steps.flatMap((id) => ownEntry(byId, id) ?? []) };
  return tidied(deepEqual(source.steps, changed.steps) ? { ...changed, steps: source.steps } : changed);
}

export function ownSideOf(piece: Pick<Piece, OwnKey>): Pick<Piece, OwnKey> {
  const { id, name, visible, locked, within, hung, placement, copyOf } = piece;
  return { id, name, visible, locked, within, hung, placement, ...(copyOf !== undefined && { copyOf }) };
}

/** Steps that the source has got since come behind the one that they follow there. */
function stepOrder(source: Piece, changes: Changes): string[] {
  const ids = idsOf(source);
  const own = changes[STEPS_PATH] as StepOrder | undefined;
  if (!own) return ids;
  const order = own.order.filter((id) => ids.includes(id) || Object.hasOwn(changes, `${STEPS_PATH}/${escaped(id)}`));
  ids.forEach((id, i) => {
    if (order.includes(id) || own.without.includes(id)) return;
    const before = ids.slice(0, i).findLast((one) => order.includes(one));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id);
  });
  return order;
}

function put(target: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (!isRecord(target)) return target;
  if (rest.length > 0 && !Object.hasOwn(target, key)) return target;
  // another kind has other values
  if (rest.length === 0 && 'kind' in target && !Object.hasOwn(target, key)) return target;
  const child = rest.length === 0 ? value : put(target[key], rest, value);
  return Object.is(child, target[key]) ? target : { ...target, [key]: child };
}

/** Nothing is said of letters that are gone. */
function tidied(copy: Piece): Piece {
  const { source } = copy;
  if (!isOfWords(source)) return copy;
  const ids = new Set(ownIds(copy).map(String));
  const kept = Object.entries(source.own).filter(([id]) => ids.has(id));
  if (kept.length === Object.keys(source.own).length) return copy;
  return { ...copy, source: { ...source, own: Object.fromEntries(kept) } };
}

/** The same where some changes would make no sound piece any more: without those. */
export function withSoundChanges(source: Piece, own: Pick<Piece, OwnKey>, changes: Changes): Piece {
  const whole = withChanges(source, own, changes);
  if (isAlike(source, whole) || pieceSchema.safeParse(whole).success) return whole;
  let sound: Changes = {};
  for (const [path, value] of Object.entries(changes)) {
    const more = { ...sound, [path]: value };
    if (pieceSchema.safeParse(withChanges(source, own, more)).success) sound = more;
  }
  return withChanges(source, own, sound);
}

/** Whether a step of a copy is its own: it has it alone, or has it otherwise. Of what is no copy every step is. */
export function hasOwnStep(source: Piece | undefined, piece: Piece, stepId: string): boolean {
  if (!source) return true;
  const [own, other] = [piece, source].map(({ steps }) => steps.find(({ id }) => id === stepId));
  return own !== other && !deepEqual(own, other);
}
