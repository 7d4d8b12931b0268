/** @jest-environment jsdom */
import { act, cleanup, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import {
  isOnEdge,
  newPiece,
  usualFrame,
  usualOf,
  PLACEMENT,
  STILL,
  type ShownPiece,
  newProject,
  usualStep,
  type Box3,
  type OntoStep,
  type Step,
  type Piece,
} from '@fictile/core';
import { useSyncExternalStore } from 'react';
import { ProjectStore } from '../store/index.ts';
import { renderInside, serve } from '../testing/render.tsx';
import { pieceActions, Pieces } from './index.ts';

import { useChosen } from './useChosen.ts';

/** As the solids stand: a letter of 10 x 20 x 2 at zero, another of 4 x 6 x 2 far off. */
const BOXES: Record<string, Box3> = {
  a: { low: [0, 0, 0], high: [10, 20, 2] },
  b: { low: [100, 50, 7], high: [104, 56, 9] },
};

let store: ProjectStore;
let files = 0;
let puts: { pieceId?: string; bodyId?: string }[] = [];
const pieces = (): Piece[] => store.project.pieceOrder.map((id) => store.project.pieces[id]);
const names = (): string[] => pieces().map((p) => p.name);

/** As they stand where their places say, in no group. */
const shown = (): ShownPiece[] =>
  pieces().map(({ id, placement: { atMm } }) => ({
    ...({ pieceId: id, letters: [], faces: 10, frame: STILL, pivot: [0, 0, 0] } as unknown as ShownPiece),
    transform: { rows: STILL.rows, move: atMm },
  }));

function Column() {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const chosen = useChosen(state.history.project);
  const actions = pieceActions(store, { boxOf: (id) => BOXES[id], standing: () => ({ pieces: shown(), groups: {} }) });
  return (
    <Pieces
      project={state.history.project}
      shown={[]}
      chosen={chosen}
      actions={actions}
      onFile={() => files++}
      onModel={() => files++}
      isPutting={false}
      onPut={(from) => puts.push(from)}
      onCopies={() => undefined}
      onPlain={(piece) => actions.putInstead({ asset: 'a'.repeat(64), ...usualFrame('obj') }, piece)}
    />
  );
}

beforeEach(() => {
  serve({});
  localStorage.clear();
  const project = newProject('p', 'Kiln', [newPiece('a', 'Title', [...'Kiln']), newPiece('b', 'Foot', [...'Row'])]);
  puts = [];
  store = new ProjectStore({ project, revision: 1, updatedAt: '2026-11-25T12:00:00Z' });
  renderInside(<Column />);
});
afterEach(() => {
  cleanup();
  store.stop();
});

const pick = async (name: string, item: string): Promise<void> => {
  await userEvent.click(screen.getByRole('button', { name: `More for ${name}` }));
  await userEvent.click(await screen.findByRole('menuitem', { name: item }));
};

async function add(what: string): Promise<void> {
  await userEvent.click(screen.getByRole('button', { name: 'Add' }));
  await userEvent.click(await screen.findByRole('menuitem', { name: what }));
}

test('a linked copy comes beside what it follows, several in a group; a copy of a copy follows the same', async () => {
  await userEvent.click(screen.getByRole('button', { name: 'More for Title' }));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'Linked copy' }));
  expect(names()).toEqual(['Title', 'Title 2', 'Foot']);
  const [, copy] = pieces();
  expect([copy.copyOf, copy.placement.atMm]).toEqual(['a', [15, 0, 0]]);
  screen.getByRole('treeitem', { name: /^Title 2, follows Title$/ });
  const actions = pieceActions(store, { boxOf: (id) => BOXES[id], standing: () => ({ pieces: shown(), groups: {} }) });
  const motions = [1, 2].map((i) => ({ rows: STILL.rows, move: [0, 30 * i, 0] as const }));
  let ids: string[] = [];
  act(() => void (ids = actions.copies([copy], motions)));
  const [group] = ids;
  const made = pieces().filter(({ within }) => within === group);
  expect(made.map((piece) => [piece.name, piece.copyOf, piece.placement.atMm])).toEqual([
    ['Title 3', 'a', [15, 30, 0]],
    ['Title 4', 'a', [15, 60, 0]],
  ]);
  expect(store.project.groups[group].name).toBe('Copies of Title 2');
});

test('shapes are added under their own names, and a file is asked for', async () => {
  await add('Star');
  await add('Star');
  expect(names()).toEqual(['Title', 'Foot', 'Star', 'Star 2']);
  expect(pieces()[3].source).toMatchObject({ kind: 'drawing', shape: { kind: 'star', points: 5 } });
  await add('Drawing or picture from a file');
  expect(files).toBe(1);
});

test('words are added behind the others, under a name of their own, and chosen', async () => {
  await add('Words');
  await add('Words');
  expect(names()).toEqual(['Title', 'Foot', 'Words', 'Words 2']);
  const chosen = screen.getAllByRole('treeitem', { selected: true });
  expect(chosen.map((row) => row.textContent)).toEqual([expect.stringContaining('Words 2')]);
});

test('a copy stands beside its piece, with the whole recipe', async () => {
  await pick('Title', 'Duplicate');
  expect(names()).toEqual(['Title', 'Title again', 'Foot']);
  const [first, copy] = pieces();
  expect({ ...copy, id: first.id, name: first.name, placement: first.placement }).toEqual(first);
  // as wide as the first, and a quarter of its height
  expect(copy.placement).toEqual({ ...first.placement, atMm: [15, 0, 0] });
});

test('hide, show alone, show all', async () => {
  const seen = (): boolean[] => pieces().map((p) => p.visible);
  await pick('Title', 'Hide');
  expect(seen()).toEqual([false, true]);
  await pick('Title', 'Show alone');
  expect(seen()).toEqual([true, false]);
  await pick('Title', 'Show all');
  expect(seen()).toEqual([true, true]);
  act(() => store.undo());
  expect(seen()).toEqual([true, false]);
});

test('a locked piece is not removed', async () => {
  await pick('Title', 'Lock');
  await userEvent.click(screen.getByRole('button', { name: 'More for Title' }));
  const remove = await screen.findByRole<HTMLButtonElement>('menuitem', { name: 'Remove' });
  expect(remove.disabled).toBe(true);
  await userEvent.keyboard('{Escape}');
  await pick('Foot', 'Remove');
  expect(names()).toEqual(['Title']);
});

test('a piece is renamed in its place; Escape and emptiness leave the name', async () => {
  const rename = async (keys: string): Promise<void> => {
    await pick('Title', 'Rename');
    const field = await screen.findByRole('textbox', { name: 'Rename' });
    await userEvent.clear(field);
    await userEvent.keyboard(keys);
    await waitFor(() => expect(screen.queryByRole('textbox', { name: 'Rename' })).toBeNull());
  };
  await rename('Lid{Escape}');
  await rename('{Enter}');
  expect(names()[0]).toBe('Title');
  await rename('Lid{Enter}');
  expect(names()[0]).toBe('Lid');
});

test('to zero and onto the table', async () => {
  act(() => store.edit({ kind: 'setPlacement', pieceId: 'a', values: { atMm: [5, 6, 7], turnDegrees: [0, 45, 0] } }));
  await pick('Title', 'Onto the table');
  expect(pieces()[0].placement).toMatchObject({ stand: 'table', atMm: [5, 0, 7], turnDegrees: [0, 45, 0] });
  await pick('Title', 'To zero');
  expect(pieces()[0].placement).toEqual(usualOf(PLACEMENT));
});

describe('several at once', () => {
  const row = (name: string): HTMLElement => screen.getByRole('treeitem', { name: new RegExp(`^${name}`) });
  const user = userEvent.setup();

  test('are chosen with Ctrl or from the menu, and changed as one', async () => {
    await user.keyboard('{Control>}');
    await user.click(row('Foot'));
    await user.keyboard('{/Control}');
    expect(screen.getAllByRole('treeitem', { selected: true })).toHaveLength(2);
    await pick('Foot', 'Hide');
    expect(pieces().map((p) => p.visible)).toEqual([false, false]);
    act(() => store.undo());
    await pick('Foot', 'Leave out of the choice');
    expect(screen.getAllByRole('treeitem', { selected: true })).toHaveLength(1);
  });

  test('with Shift the whole row; the last chosen never goes', async () => {
    await user.keyboard('{Shift>}');
    await user.click(row('Foot'));
    await user.keyboard('{/Shift}');
    await pick('Title', 'Duplicate');
    expect(names()).toEqual(['Title', 'Title again', 'Foot', 'Foot again']);
    const chosen = screen.getAllByRole('treeitem', { selected: true });
    expect(chosen.map((button) => button.textContent)).toEqual([
      expect.stringContaining('Title again'),
      expect.stringContaining('Foot again'),
    ]);
  });

  test('those that are locked are left when the others go', async () => {
    act(() => store.edit({ kind: 'setPiece', pieceId: 'a', values: { locked: true } }));
    await pick('Foot', 'Choose this too');
    await pick('Title', 'Remove');
    expect(names()).toEqual(['Title']);
  });
});

describe('placed by another piece', () => {
  const at = async (name: string, item: string, other: string): Promise<number[]> => {
    await userEvent.click(screen.getByRole('button', { name: `More for ${name}` }));
    await userEvent.hover(await screen.findByRole('menuitem', { name: item }));
    await userEvent.click(await screen.findByRole('menuitem', { name: other }));
    return pieces().find((p) => p.name === name)?.placement.atMm ?? [];
  };

  test('centred as seen from the front', async () =>
    expect(await at('Foot', 'Centre on', 'Title')).toEqual([-97, -43, 0]));

  test('beside: a quarter of its height away, feet level, middles in depth', async () =>
    expect(await at('Foot', 'Put beside', 'Title')).toEqual([-85, -50, -7]));
});

test('forms are added on the table, and copies of what lies on one lie on its copy', async () => {
  await userEvent.click(screen.getByRole('button', { name: 'Add' }));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'Jug' }));
  const jug = pieces()[2];
  expect(jug).toMatchObject({ name: 'Jug', source: { form: { kind: 'turned' } }, placement: { stand: 'table' } });
  const edge = { kind: 'edge' as const, target: jug.id, atMm: [0, 0, 0] as [number, number, number], reversed: false };
  const steps: Step[] = [
    { ...usualStep('run', 'r'), path: edge },
    { ...usualStep('onto', 'o'), target: jug.id },
  ];
  act(() => store.edit({ kind: 'setSteps', pieceId: 'a', steps }));
  await pick('Title', 'Choose this too');
  await pick('Title', 'Duplicate');
  const targets = pieces().flatMap((piece) =>
    piece.steps.map((step) => (isOnEdge(step) ? step.path : (step as OntoStep)).target),
  );
  const copied = pieces()
    .filter(({ source }) => source.kind === 'form')
    .map(({ id }) => id);
  expect([...targets].sort()).toEqual([...copied, ...copied].sort());
});

test('a plain copy stands in the place of what it was made of, which is hidden; one step of undo', async () => {
  const before = pieces().length;
  await pick('Title', 'Plain copy');
  const copy = pieces().find(({ source }) => source.kind === 'model');
  expect(copy).toMatchObject({ name: 'Title, plain', placement: usualOf(PLACEMENT) });
  expect(store.project.pieces.a.visible).toBe(false);
  act(() => store.undo());
  expect(pieces().length).toBe(before);
  expect(store.project.pieces.a.visible).toBe(true);
});

test('a piece is put on a body from the menu of either', async () => {
  await add('Slab');
  const slab = pieces()[2].id;
  await pick('Title', 'Put on a body');
  await pick('Slab', 'Put words on it');
  await waitFor(() => expect(puts).toEqual([{ pieceId: 'a' }, { bodyId: slab }]));
});

describe('the tree', () => {
  const user = userEvent.setup();
  const line = (name: string): HTMLElement => screen.getByRole('treeitem', { name: new RegExp(`^${name}`) });
  /** Names with how deep they stand. */
  const lines = (): string[] =>
    screen
      .getAllByRole('treeitem')
      .map((row) =>
        `${row.ariaLevel ?? row.getAttribute('aria-level')} ${row.ariaLabel ?? row.getAttribute('aria-label')}`.replace(
          /,.*/,
          '',
        ),
      );

  test('a group is made, named, closed and opened, and dissolved', async () => {
    await pick('Foot', 'Choose this too');
    await pick('Title', 'Group');
    expect(lines()).toEqual(['1 Group', '2 Title', '2 Foot']);
    expect(Object.values(store.project.groups)).toMatchObject([{ placement: { pivotMm: [52, 28, 4.5] } }]);
    await pick('Group', 'Rename');
    await user.clear(await screen.findByRole('textbox', { name: 'Rename' }));
    await user.keyboard('Sign{Enter}');
    expect(lines()[0]).toBe('1 Sign');
    await user.click(screen.getByRole('button', { name: 'Close Sign' }));
    expect(lines()).toEqual(['1 Sign']);
    await user.click(screen.getByRole('button', { name: 'Open Sign' }));
    await pick('Sign', 'Duplicate');
    expect(lines()).toEqual(['1 Sign', '2 Title', '2 Foot', '1 Sign again', '2 Title', '2 Foot']);
    await pick('Sign', 'Dissolve the group');
    expect(lines()).toEqual(['1 Title', '1 Foot', '1 Sign again', '2 Title', '2 Foot']);
  });

  test('by keys: rows are gone through, chosen in a row, moved, and put into groups and out', async () => {
    await add('Star');
    act(() => line('Star').focus());
    await user.keyboard('{Home}');
    expect(document.activeElement).toBe(line('Title'));
    expect(line('Title').getAttribute('aria-selected')).toBe('true');
    await user.keyboard('{Alt>}{ArrowDown}{/Alt}');
    expect(names()).toEqual(['Foot', 'Title', 'Star']);
    await user.keyboard('{Home}');
    await pick('Foot', 'Group');
    act(() => line('Title').focus());
    await user.keyboard('{ArrowDown}{ArrowUp}{Alt>}{ArrowRight}{/Alt}');
    expect(lines()).toEqual(['1 Group', '2 Foot', '2 Title', '1 Star']);
    await user.keyboard('{ArrowLeft}{ArrowLeft}');
    expect(lines()).toEqual(['1 Group', '1 Star']);
    await user.keyboard('{ArrowRight}{ArrowRight}{Shift>}{ArrowDown}{/Shift}');
    expect(screen.getAllByRole('treeitem', { selected: true })).toHaveLength(2);
    await user.keyboard('{Alt>}{ArrowLeft}{/Alt}');
    expect(lines()).toEqual(['1 Foot', '1 Title', '1 Star']);
    expect(store.project.groups).toEqual({});
  });

  test('what hangs on another says so, stays where it is, and is taken off', async () => {
    act(() => store.edit({ kind: 'setPlacement', pieceId: 'a', values: { atMm: [5, 6, 7] } }));
    await userEvent.click(screen.getByRole('button', { name: 'More for Foot' }));
    await userEvent.hover(await screen.findByRole('menuitem', { name: 'Hang on' }));
    await userEvent.click(await screen.findByRole('menuitem', { name: 'Title' }));
    expect(pieces()[1]).toMatchObject({ hung: { on: 'a', letter: 0 }, placement: { atMm: [-5, -6, -7] } });
    expect(line('Foot').getAttribute('aria-label')).toContain('goes with Title');
    await pick('Foot', 'Take off');
    expect(pieces()[1].hung).toBeNull();
  });

  test('what hung on a piece that is removed hangs on nothing', async () => {
    act(() => store.edit({ kind: 'hang', items: ['b'], hung: { on: 'a', letter: 0 } }));
    await pick('Title', 'Remove');
    expect(pieces()).toMatchObject([{ id: 'b', hung: null }]);
  });
});
