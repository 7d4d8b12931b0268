/** @jest-environment jsdom */
import { act, cleanup, screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { newPiece, newProject, ownOf, STILL, type Piece, type Remark, type ShownPiece } from '@fictile/core';
import { useState, useSyncExternalStore } from 'react';
import { ProjectStore } from '../store/index.ts';
import { wordsOf } from '../testing/words.ts';
import { placeIn } from '../testing/placing.ts';
import { renderInside, serve } from '../testing/render.tsx';
import { Recipe, type ChapterName } from './index.ts';

const style = (name: string, weight: number) => ({ name, weight, italic: false, hash: name });
const FAMILIES = [
  { family: 'Zilla Slab', kind: 'slab', licence: '', axes: [], covers: '', styles: [style('Bold', 700)] },
  { family: 'Pacifico', kind: 'script', licence: '', axes: [], covers: '', styles: [style('Regular', 400)] },
];

let store: ProjectStore;
/** whether the second piece is chosen with the first */
let withOther = false;
let picked: number[] = [];
const piece = (): Piece => store.project.pieces.a;

const shown = (remarks: Remark[]): ShownPiece => ({
  pieceId: 'a',
  clusters: [],
  letters: [],
  transform: STILL,
  frame: STILL,
  pivot: [0, 0, 0],
  line: { up: 1, down: 0, baselines: [0], front: 0 },
  remarks,
  faces: 1234,
  quads: 1000,
  built: { clusters: 0, wavefronts: 0, lifted: 0 },
  bodyFaces: 1234,
  stepFaces: [{ id: 'cut', faces: 2468 }],
});

function Form() {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const remarks: Remark[] = [
    { code: 'EDGE_MEETS', params: { letters: 'K' } },
    { code: 'EDGES_SCALED', params: { askedMm: 59.2, takenMm: 18 } },
  ];
  const { a, b } = state.history.project.pieces;
  const [atWork, setAtWork] = useState<ChapterName>();
  return (
    <Recipe
      pieces={withOther ? [a, b] : [a]}
      store={store}
      others={[]}
      place={placeIn(store, a)}
      shown={shown(remarks)}
      milliseconds={21}
      atWork={atWork}
      onWork={setAtWork}
      onStep={() => undefined}
      picked={picked}
      readCurve={async () => undefined}
      onSection={() => undefined}
      onPick={(ids) => (picked = [...ids])}
    />
  );
}

beforeEach(async () => {
  serve({ 'GET /api/fonts': () => ({ body: { families: FAMILIES } }) });
  localStorage.clear();
  const project = newProject('p', 'Kiln', [newPiece('a', 'Kiln', [...'Kiln']), newPiece('b', 'Row', [...'Row'])]);
  store = new ProjectStore({ project, revision: 1, updatedAt: '2026-11-25T12:00:00Z' });
  renderInside(<Form />);
  await screen.findByRole('button', { name: 'Font: Zilla Slab Bold' });
});
afterEach(() => {
  cleanup();
  store.stop();
});

test('typing keeps the ids of the letters that stay', async () => {
  const field = screen.getByRole<HTMLTextAreaElement>('textbox', { name: 'Words' });
  await userEvent.type(field, 's', { initialSelectionStart: 4 });
  expect(wordsOf(piece()).graphemes.map((g) => [g.id, g.text])).toEqual([
    [1, 'K'],
    [2, 'i'],
    [3, 'l'],
    [4, 'n'],
    [5, 's'],
  ]);
  await userEvent.type(field, '{Backspace}', { initialSelectionStart: 1, initialSelectionEnd: 2 });
  expect(wordsOf(piece()).graphemes.map((g) => g.id)).toEqual([1, 3, 4, 5]);
});

test('a row of typed letters undoes as one', async () => {
  await userEvent.type(screen.getByRole('textbox', { name: 'Words' }), ' day');
  act(() => store.undo());
  expect(
    wordsOf(piece())
      .graphemes.map((g) => g.text)
      .join(''),
  ).toBe('Kiln');
});

const value = (name: string) => screen.getByRole('spinbutton', { name });
const focus = (name: string): void => act(() => value(name).focus());
const pick = async (name: RegExp, item: string): Promise<void> => {
  await userEvent.click(await screen.findByRole('button', { name }));
  await userEvent.click(await screen.findByRole('menuitem', { name: item }));
};

test('font, lines and edge are words that open menus', async () => {
  await pick(/^Font/, 'Pacifico Regular');
  await pick(/^Lines/, 'right');
  await pick(/^Front edge/, 'chamfered');
  expect(piece().source).toMatchObject({ font: { family: 'Pacifico', weight: 400 }, align: 'right' });
  expect(piece().body.solid.front.kind).toBe('chamfer');
});

test('a plain edge has no sizes, a chamfer no steps', async () => {
  const sizes = () => screen.queryAllByRole('spinbutton', { name: /^Front edge/ }).length;
  expect(sizes()).toBe(3);
  await pick(/^Front edge: /, 'chamfered');
  expect(sizes()).toBe(2);
  await pick(/^Front edge: /, 'plain');
  expect(sizes()).toBe(0);
});

test('the back edge can be the same as the front, and then follows it', async () => {
  await pick(/^Back edge/, 'the same as the front');
  expect(piece().body.solid.backAsFront).toBe(true);
  await pick(/^Back edge/, 'rounded');
  expect(piece().body.solid).toMatchObject({ backAsFront: false, back: { kind: 'round' } });
});

describe('numbers', () => {
  test('are typed with units and arithmetic', async () => {
    focus('Raise');
    await userEvent.keyboard('{Enter}1in + 2*(3mm){Enter}');
    expect(piece().body.solid.depthMm).toBe(31.4);
  });

  test('are typed over at once', async () => {
    focus('Raise');
    await userEvent.keyboard('42{Enter}');
    expect(piece().body.solid.depthMm).toBe(42);
  });

  test.each(['', 'tall', '-1', '1/0', '99999'])('"%s" changes nothing', async (text) => {
    focus('Raise');
    await userEvent.keyboard('{Enter}{Delete}');
    if (text !== '') await userEvent.keyboard(text);
    const field = screen.getByRole('textbox', { name: 'Raise' });
    expect(field.getAttribute('aria-invalid')).toBe('true');
    await userEvent.keyboard('{Enter}');
    expect(piece().body.solid.depthMm).toBe(18);
  });

  test('Escape leaves them as they were', async () => {
    focus('Raise');
    await userEvent.keyboard('{Enter}77{Escape}');
    expect(piece().body.solid.depthMm).toBe(18);
  });

  test('step with the arrow keys, tenfold with Shift, a tenth with Alt, and back to usual with Delete', async () => {
    focus('Raise');
    await userEvent.keyboard('{ArrowUp}{Shift>}{ArrowUp}{/Shift}{Alt>}{ArrowDown}{/Alt}');
    expect(piece().body.solid.depthMm).toBe(28.9);
    await userEvent.keyboard('{Delete}');
    expect(piece().body.solid.depthMm).toBe(18);
    act(() => store.undo());
    act(() => store.undo());
    expect(piece().body.solid.depthMm).toBe(18); // all the steps were one
  });

  test('whole ones stay whole and within their range', async () => {
    focus('Front edge, steps');
    await userEvent.keyboard('{Enter}2.6{Enter}');
    expect(piece().body.solid.front.steps).toBe(3);
    focus('Front edge, steps');
    await userEvent.keyboard('{ArrowDown}{ArrowDown}{ArrowDown}{ArrowDown}');
    expect(piece().body.solid.front.steps).toBe(1);
  });
});

test('places and turns are numbers too; the rare ones lie under "more"', async () => {
  focus('Turned');
  await userEvent.keyboard('{Enter}0.25turn{Enter}');
  expect(piece().placement.turnDegrees).toEqual([0, 90, 0]);
  await pick(/^Stands/, 'on the table');
  expect(piece().placement.stand).toBe('table');
});

test('a finish goes onto the parts that are ticked', async () => {
  await userEvent.click(screen.getByRole('button', { name: /^walls: terracotta/ }));
  await userEvent.click(await screen.findByRole('checkbox', { name: 'front' }));
  await userEvent.click(screen.getByRole('button', { name: 'celadon' }));
  expect([piece().slots.wall.name, piece().slots.front.name, piece().slots.back.name]).toEqual([
    'celadon',
    'celadon',
    'bone glaze',
  ]);
});

test('what the mesh has to tell stands under its chapter, with the cure as a button', async () => {
  const solid = within(screen.getByRole('region', { name: 'Solid' }));
  expect(solid.getByText(/ridge: K/)).toBeTruthy();
  await userEvent.click(solid.getByRole('button', { name: 'Raise 60 mm' }));
  expect(piece().body.solid.depthMm).toBe(60);
});

test('letters, faces and time are told at their chapters', () => {
  expect(screen.getByText('4 letters')).toBeTruthy();
  expect(screen.getByText('1,234 faces · 21 ms')).toBeTruthy();
});

const chapterMenu = async (chapter: string, item: string): Promise<void> => {
  await userEvent.click(screen.getByRole('button', { name: `More for the chapter ${chapter}` }));
  await userEvent.click(await screen.findByRole('menuitem', { name: item }));
};

test('a chapter is copied and given to a piece of another make', async () => {
  act(() => store.edit({ kind: 'setSolid', pieceId: 'a', values: { depthMm: 40 } }));
  await chapterMenu('Solid', 'Copy this chapter');
  act(() => store.undo());
  act(() => store.edit({ kind: 'setWords', pieceId: 'a', values: { sizeMm: 9 } }));
  await chapterMenu('Words', 'Paste what was copied');
  expect([piece().body.solid.depthMm, wordsOf(piece()).sizeMm]).toEqual([40, 9]);
});

test('the back finish follows the front, and stops when it gets one of its own', async () => {
  await pick(/^Back: /, 'the same as the front');
  expect(piece().slots.backAsFront).toBe(true);
  expect(screen.queryByRole('button', { name: /^back: / })).toBeNull();
  await pick(/^Back: /, 'of its own');
  expect(piece().slots.backAsFront).toBe(false);
});

test('only the chapter at work is lit', async () => {
  focus('Raise');
  const lit = (name: string): string | undefined => screen.getByRole('region', { name }).dataset.atWork;
  await waitFor(() => expect([lit('Words'), lit('Solid')]).toEqual(['false', 'true']));
});

test('a locked piece says so and takes no value until it is unlocked', async () => {
  act(() => store.edit({ kind: 'setPiece', pieceId: 'a', values: { locked: true } }));
  expect(screen.getByText(/This piece is locked/)).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Unlock' }));
  expect(piece().locked).toBe(false);
});

describe('words', () => {
  test('go round a circle, and back to straight with Delete', async () => {
    await pick(/^Set: /, 'round a circle');
    expect(wordsOf(piece()).line).toMatchObject({ kind: 'circle', radiusMm: 216, direction: 'clockwise' });
    await pick(/^Way round/, 'counter-clockwise');
    expect(wordsOf(piece()).line).toMatchObject({ direction: 'counter', startDegrees: 180 });
    focus('Spread over');
    expect(value('Spread over').textContent).toBe('as long as it is');
    await userEvent.keyboard('{ArrowUp}');
    expect(value('Spread over').textContent).toBe('5°');
    act(() => screen.getByRole('button', { name: /^Set: / }).focus());
    await userEvent.keyboard('{Delete}');
    expect(wordsOf(piece()).line).toEqual({ kind: 'straight' });
  });

  test('are fitted to a width that the sentence then asks for', async () => {
    await userEvent.click(screen.getAllByRole('button', { name: 'more' })[0]);
    await pick(/^Fitted: /, 'to a width');
    focus('Whole width');
    await userEvent.keyboard('{Enter}30cm{Enter}');
    await pick(/^Fitting: /, 'only shrinking');
    expect(wordsOf(piece()).fit).toMatchObject({ to: 'width', widthMm: 300, onlyShrink: true });
  });

  test('take features by their tags; what is none is not taken', async () => {
    await userEvent.click(screen.getAllByRole('button', { name: 'more' })[0]);
    const type = async (text: string): Promise<void> => {
      await userEvent.click(await screen.findByRole('button', { name: /^Features: / }));
      const field = screen.getByRole('textbox', { name: 'Features' });
      await userEvent.clear(field);
      await userEvent.type(field, `${text}{Enter}`);
    };
    await type('liga=0, ss01');
    expect(wordsOf(piece()).features).toEqual({ liga: 0, ss01: 1 });
    await type('ligatures');
    expect(wordsOf(piece()).features).toEqual({ liga: 0, ss01: 1 });
  });

  test('try fonts as the arrow keys reach them; Escape gives the old one back and leaves nothing to undo', async () => {
    await userEvent.click(screen.getByRole('button', { name: /^Font/ }));
    await screen.findByRole('menuitem', { name: 'Pacifico Regular' });
    await userEvent.keyboard('{ArrowDown}');
    await waitFor(() => expect(wordsOf(piece()).font.family).toBe('Pacifico'));
    await userEvent.keyboard('{Escape}');
    await waitFor(() => expect(wordsOf(piece()).font.family).toBe('Zilla Slab'));
    expect(store.state.history.past).toHaveLength(0);
  });
});

describe('letters that are picked', () => {
  beforeAll(() => (picked = [2, 3]));
  afterAll(() => (picked = []));

  test('are moved, turned and left out alone, and reset', async () => {
    focus('These letters, turned');
    await userEvent.keyboard('{ArrowUp}{Shift>}{ArrowUp}{/Shift}');
    await pick(/^These letters are/, 'left out');
    const own = ownOf(piece());
    expect(Object.keys(own)).toEqual(['2', '3']);
    expect(own[3]).toMatchObject({ turnDegrees: 11, leftOut: true });
    await userEvent.click(screen.getByRole('button', { name: 'As the others' }));
    expect(ownOf(piece())).toEqual({});
  });

  test('take a font of their own', async () => {
    await pick(/^Font of these letters/, 'Pacifico Regular');
    expect([ownOf(piece())[2].font?.family, wordsOf(piece()).font.family]).toEqual(['Pacifico', 'Zilla Slab']);
  });
});

describe('several pieces', () => {
  beforeAll(() => (withOther = true));
  afterAll(() => (withOther = false));

  test('kinds that are only tried leave each as it was, and nothing to undo', async () => {
    const own = { ...piece().body.solid.front, kind: 'cove' as const, inMm: 5 };
    act(() => store.edit({ kind: 'setSolid', pieceId: 'b', values: { front: own } }));
    const kinds = () => ['a', 'b'].map((id) => store.project.pieces[id].body.solid.front);
    const before = kinds();
    await userEvent.click(screen.getByRole('button', { name: /^Front edge: / }));
    await userEvent.hover(await screen.findByRole('menuitem', { name: 'a bead' }));
    await userEvent.hover(screen.getByRole('menuitem', { name: 'stepped' }));
    expect(kinds().map((edge) => [edge.kind, edge.inMm])).toEqual([
      ['step', 2],
      ['step', 5],
    ]);
    await userEvent.keyboard('{Escape}');
    expect(kinds()).toEqual(before);
    expect(store.state.history.past).toHaveLength(1);
  });

  test('settings go to all of them, words and places stay their own', async () => {
    expect(screen.getByText(/^2 pieces are chosen/)).toBeTruthy();
    await pick(/^Front edge: /, 'chamfered');
    focus('Raise');
    await userEvent.keyboard('{ArrowUp}{ArrowUp}');
    await pick(/^Stands/, 'on the table');
    const { a, b } = store.project.pieces;
    expect(b.body.solid).toEqual(a.body.solid);
    expect([a.body.solid.depthMm, a.placement.stand, b.placement.stand]).toEqual([20, 'table', 'free']);
    act(() => store.undo());
    act(() => store.undo());
    expect([store.project.pieces.a, store.project.pieces.b].map((p) => p.body.solid.depthMm)).toEqual([18, 18]);
  });
});

describe('faces', () => {
  test('are chosen by a sentence that asks for what the style has', async () => {
    await userEvent.click(screen.getByRole('button', { name: 'Faces: Plain faces' }));
    await userEvent.click(await screen.findByRole('menuitem', { name: 'Even bands' }));
    expect(piece().body.faces.style).toBe('bands');
    const bands = screen.getByRole('spinbutton', { name: 'Bands' });
    bands.focus();
    await userEvent.keyboard('{ArrowUp}');
    expect(piece().body.faces.bands).toBe(13);
  });

  test('flowing quads are sized to the letters until a size is typed', async () => {
    act(() => store.edit({ kind: 'setFaces', pieceId: 'a', values: { style: 'flow' } }));
    const size = screen.getByRole('spinbutton', { name: 'Size of faces' });
    expect(size.textContent).toBe('sized to the letters');
    size.focus();
    await userEvent.keyboard('3{Enter}');
    expect(piece().body.faces.sizeMm).toBe(3);
    screen.getByRole('spinbutton', { name: 'Size of faces' }).focus();
    await userEvent.keyboard('{Delete}');
    expect(piece().body.faces.sizeMm).toBe(0);
  });
});

describe('steps', () => {
  const names = (): string[] => screen.queryAllByTestId('step').map((row) => row.textContent ?? '');
  const menu = async (at: number, item: string): Promise<void> => {
    const row = screen.getAllByTestId('step')[at];
    await userEvent.click(within(row).getByRole('button', { name: /: more$/ }));
    await userEvent.click(await screen.findByRole('menuitem', { name: item }));
  };
  const add = async (name: string): Promise<void> => {
    await userEvent.click(screen.getByRole('button', { name: 'Add a step' }));
    await userEvent.click(await screen.findByRole('menuitem', { name }));
  };

  test('are added, put in another order, switched off, duplicated and removed; all can be undone', async () => {
    expect(screen.getByText('Nothing is bent, waved or cut anew.')).toBeTruthy();
    await add('Subdivide');
    await add('Reduce');
    expect(piece().steps.map(({ kind }) => kind)).toEqual(['subdivide', 'reduce']);
    await menu(1, 'Earlier');
    expect(piece().steps.map(({ kind }) => kind)).toEqual(['reduce', 'subdivide']);
    await menu(0, 'Switch off');
    expect(piece().steps[0].on).toBe(false);
    expect(names()[0]).toContain('off');
    await menu(1, 'Duplicate');
    expect(new Set(piece().steps.map(({ id }) => id)).size).toBe(3);
    await menu(0, 'Remove');
    expect(piece().steps.map(({ kind }) => kind)).toEqual(['subdivide', 'subdivide']);
    for (let i = 0; i < 6; i++) act(() => store.undo());
    expect(piece().steps).toEqual([]);
  });

  test.each([
    ['Subdivide', 'Subdivide, times', '3{Enter}', { times: 3 }],
    ['Reduce', 'Share of the triangles', '25{Enter}', { sharePercent: 25 }],
    ['Join to quads', 'Within', '12{Enter}', { withinDegrees: 12 }],
    ['Merge points', 'Within', '0.2{Enter}', { withinMm: 0.2 }],
    ['Clear flat faces', 'Within', '1{Enter}', { withinDegrees: 1 }],
    ['Crisp edges', 'Crisp from', '45{Enter}', { fromDegrees: 45 }],
  ])('%s has values of its own', async (name, label, keys, values) => {
    await add(name);
    screen.getByRole('spinbutton', { name: label }).focus();
    await userEvent.keyboard(keys);
    expect(piece().steps[0]).toMatchObject(values);
  });

  test('what a step left stands beside it', async () => {
    act(() =>
      store.edit({
        kind: 'setSteps',
        pieceId: 'a',
        steps: [{ id: 'cut', on: true, kind: 'triangles', rule: 'short' }],
      }),
    );
    expect(names()[0]).toContain('2,468 faces');
  });
});
