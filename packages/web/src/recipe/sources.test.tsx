/** @jest-environment jsdom */
import { act, cleanup, screen, waitFor } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import {
  newDrawing,
  newForm,
  newPiece,
  newProject,
  ownOf,
  usualDrawing,
  usualForms,
  usualOwn,
  usualShapes,
  type Drawing,
  type DrawingShape,
  type FormPiece,
  type FormShape,
  type FreeCurve,
  type LetteringPiece,
  type Piece,
} from '@fictile/core';
import { useState, useSyncExternalStore } from 'react';
import { ProjectStore } from '../store/index.ts';
import { placeIn } from '../testing/placing.ts';
import { renderInside, serve } from '../testing/render.tsx';
import { wordsOf } from '../testing/words.ts';
import { Recipe } from './index.ts';

const corner = (x: number, y: number): FreeCurve['knots'][number] => ({ atMm: [x, y], inMm: [0, 0], outMm: [0, 0] });
const FROM_FILE: FreeCurve = { knots: [corner(0, 0), corner(50, 0)], closed: false };
const PATHS: DrawingShape = {
  kind: 'paths',
  elements: [1, 2].map((colour) => ({
    ...{ colour, path: `M0 0L${colour * 40} 0L0 20Z`, transform: [1, 0, 0, 1, 0, 0] },
    paint: { kind: 'fill' as const, rule: 'nonzero' as const },
  })),
  colours: [
    { id: 1, name: '#b45f3c' },
    { id: 2, name: '#2f2c2b' },
  ],
  by: 'width',
  sizeMm: 80,
} as DrawingShape;

let store: ProjectStore;
let picked: readonly number[] = [];
const piece = (): Piece => store.project.pieces.a;
const drawing = (): Drawing => piece().source as Drawing;

function Form() {
  const state = useSyncExternalStore(store.subscribe, () => store.state);
  const [ids, setIds] = useState(picked);
  picked = ids;
  return (
    <Recipe
      pieces={[state.history.project.pieces.a]}
      store={store}
      others={[]}
      place={placeIn(store, state.history.project.pieces.a)}
      shown={undefined}
      milliseconds={1}
      atWork={undefined}
      onStep={() => undefined}
      onWork={() => undefined}
      picked={ids}
      onSection={() => undefined}
      onPick={setIds}
      readCurve={async () => FROM_FILE}
    />
  );
}

async function show(made: Piece, start: readonly number[] = []): Promise<void> {
  serve({ 'GET /api/fonts': () => ({ body: { families: [] } }) });
  localStorage.clear();
  picked = start;
  store = new ProjectStore({
    project: newProject('p', 'Kiln', [made]),
    revision: 1,
    updatedAt: '2026-11-25T12:00:00Z',
  });
  renderInside(<Form />);
  await screen.findByText('Finish');
}
afterEach(() => {
  cleanup();
  store.stop();
});

async function pick(value: RegExp, item: string): Promise<void> {
  await userEvent.click(screen.getByRole('button', { name: value }));
  await userEvent.click(await screen.findByRole('menuitem', { name: item }));
}
async function type(label: string, text: string): Promise<void> {
  act(() => screen.getByRole('spinbutton', { name: label }).focus());
  await userEvent.keyboard(`{Enter}${text}{Enter}`);
}

describe('words', () => {
  beforeEach(() => show(newPiece('a', 'Kiln', [...'AVA']), []));

  test('as a wire have no depth of their own; its sides go by fours', async () => {
    await pick(/^Letters drawn/, 'as a wire');
    expect(screen.getByText(/as deep as it is thick/)).toBeTruthy();
    await type('Sides of the wire', '10');
    await type('Wire', '6');
    expect((piece() as LetteringPiece).source.contour).toMatchObject({ kind: 'wire', thickMm: 6, sides: 12 });
  });

  test('run along a curve, knot by knot by keyboard', async () => {
    await pick(/^Set/, 'along a curve');
    const line = () => wordsOf(piece()).line as { curve: FreeCurve; spread: boolean };
    expect(line().curve.knots).toHaveLength(3);
    await userEvent.click(screen.getByRole('button', { name: 'add a knot' }));
    expect(line().curve.knots).toHaveLength(4);
    await type('Knot, up', '25');
    expect(line().curve.knots[1].atMm[1]).toBe(25);
    await pick(/^Knot is/, 'a corner');
    expect(line().curve.knots[1].outMm).toEqual([0, 0]);
    await userEvent.click(screen.getByRole('button', { name: 'drop it' }));
    await pick(/^Curve is/, 'closed');
    await pick(/^Spread over/, 'spread over it');
    expect([line().curve.knots.length, line().curve.closed, line().spread]).toEqual([3, true, true]);
  });

  test('take their curve from a drawing', async () => {
    await pick(/^Set/, 'along a curve');
    const field = document.querySelector('input[type=file]') as HTMLInputElement;
    await userEvent.upload(field, new File(['<svg/>'], 'way.svg', { type: 'image/svg+xml' }));
    await waitFor(() => expect(wordsOf(piece()).line).toMatchObject({ curve: FROM_FILE }));
  });
});

describe('letters that are picked', () => {
  beforeEach(() => show(newPiece('a', 'Kiln', [...'AVA']), [1, 2]));

  test('have a depth and an edge of their own until they are raised as the others', async () => {
    await type('These letters, raised', '30');
    await pick(/^Front edge of these letters/, 'chamfered');
    expect(ownOf(piece())[2].solid).toMatchObject({ depthMm: 30, front: { kind: 'chamfer' } });
    await userEvent.click(screen.getByRole('button', { name: 'raised as the others' }));
    expect(ownOf(piece())).toEqual({});
  });

  test('have a finish of their own, and none again', async () => {
    await userEvent.click(screen.getByRole('button', { name: 'Finish of these letters: as the others' }));
    await userEvent.click(await screen.findByRole('button', { name: 'celadon' }));
    expect(ownOf(piece())[1].finish?.name).toBe('celadon');
    await userEvent.click(screen.getByRole('button', { name: 'as the others' }));
    expect(ownOf(piece())).toEqual({});
  });

  test('stand closer together, wherever their pair stands', async () => {
    await userEvent.click(screen.getAllByRole('button', { name: 'more' })[0]);
    const pair = await screen.findByRole('spinbutton', { name: 'Between AV' });
    act(() => pair.focus());
    await userEvent.keyboard('{ArrowDown}{ArrowDown}');
    expect(wordsOf(piece()).kernPairs).toEqual([{ left: 'A', right: 'V', by: -10 }]);
    await userEvent.keyboard('{Delete}');
    expect(wordsOf(piece()).kernPairs).toEqual([]);
  });
});

describe('a drawing', () => {
  const own = { 1: { ...usualOwn(), scalePercent: 50 } };
  beforeEach(() => show(newDrawing('a', 'Mark', { ...usualDrawing(PATHS), own })));

  test('has a size by its width or its height, which stay one size', async () => {
    await pick(/^Size is of its/, 'height');
    expect(drawing().shape).toMatchObject({ by: 'height', sizeMm: 20 });
    await type('Size of the drawing', '5cm');
    expect(drawing().shape).toMatchObject({ by: 'height', sizeMm: 50 });
  });

  test('has colours to be picked, each with something of its own', async () => {
    await userEvent.click(screen.getByRole('button', { name: '#2f2c2b' }));
    await type('These letters, raised', '25');
    expect(drawing().own[2].solid?.depthMm).toBe(25);
    await userEvent.click(screen.getByRole('button', { name: '#2f2c2b' }));
    await userEvent.click(screen.getByRole('button', { name: '#b45f3c' }));
    await userEvent.click(screen.getByRole('button', { name: 'As it was' }));
    expect(Object.keys(drawing().own)).toEqual(['2']);
  });
});

test.each([
  ['rectangle', 'Corners', '3', { cornerMm: 3 }],
  ['ellipse', 'Height', '30', { heightMm: 30 }],
  ['polygon', 'sides', '8', { sides: 8 }],
  ['star', 'Notches', '70', { innerPercent: 70 }],
] as const)('a %s has its own values', async (kind, label, text, values) => {
  await show(newDrawing('a', 'Shape', usualDrawing(usualShapes()[kind])));
  await type(label, text);
  expect(drawing().shape).toMatchObject({ kind, ...values });
});

test('a free shape has knots', async () => {
  await show(newDrawing('a', 'Shape', usualDrawing(usualShapes().free)));
  await type('Knot, across', '7');
  expect((drawing().shape as { curve: FreeCurve }).curve.knots[0].atMm[0]).toBe(7);
});

describe('what most solids have nothing of', () => {
  beforeEach(async () => {
    await show(newPiece('a', 'Kiln', [...'Kiln']));
    await userEvent.click(screen.getAllByRole('button', { name: 'more' })[1]);
    await screen.findByRole('button', { name: /^Edges lie/ });
  });
  const solid = () => piece().body.solid;

  test('edges outward, as fine as the curves, corners, bolder', async () => {
    await pick(/^Edges lie/, 'outward, the body grows');
    await pick(/^Curves of edges in/, 'as fine as the curves');
    await pick(/^Corners/, 'rounded');
    await type('Outline offset', '-1.5');
    expect(solid()).toMatchObject({ edgeSide: 'outward', stepsBy: 'tolerance', corners: 'round', emboldenMm: -1.5 });
    expect(screen.queryByRole('spinbutton', { name: 'Front edge, steps' })).toBeNull();
  });

  test('a swelling is shaped only where there is one', async () => {
    expect(screen.queryByRole('button', { name: /^Swelling/ })).toBeNull();
    await type('Front swells', '6');
    await pick(/^Swelling/, 'full');
    await type('Swelling, steps', '12');
    expect(solid().swell).toEqual({ frontMm: 6, backMm: 0, curve: 'round', steps: 12 });
  });

  test('turned, narrower, shifted and bent towards the back', async () => {
    await type('Turned from front to back', '45');
    await pick(/^What turns and narrows/, 'each letter about its own middle');
    await type('Narrower at the back', '20');
    await type('Back shifted, up', '3');
    await type('Depth bent', '30');
    await type('Depth bent towards', '90');
    expect(solid().along).toEqual({
      about: 'letter',
      twistDegrees: 45,
      taperPercent: 20,
      shearMm: [0, 3],
      curveDegrees: 30,
      towardDegrees: 90,
    });
  });
});

describe('a solid', () => {
  beforeEach(() => show(newPiece('a', 'Kiln', [...'Kiln'])));

  test('has edges of many kinds, which come out of the depth or on top of it', async () => {
    await pick(/^Front edge/, 'an ogee');
    expect(screen.getByRole('spinbutton', { name: 'Front edge, steps' })).toBeTruthy();
    await userEvent.click(screen.getAllByRole('button', { name: 'more' })[1]);
    await screen.findByRole('button', { name: /^Edges come/ });
    await pick(/^Edges come/, 'on top of the depth');
    expect(piece().body.solid).toMatchObject({ front: { kind: 'ogee' }, edgesAdd: true });
  });

  test('has a side with its own values', async () => {
    await userEvent.click(screen.getAllByRole('button', { name: 'more' })[1]);
    await screen.findByRole('spinbutton', { name: 'Divisions along the depth' });
    await type('Divisions along the depth', '4');
    await pick(/^Side of the solid/, 'waisted');
    await type('Side, in', '2');
    await type('Side, steps', '9');
    expect(piece().body.solid.side).toEqual({ kind: 'waist', amountMm: 2, steps: 9, divisions: 4, points: [] });
  });
});

describe('a form', () => {
  const form = (): FormShape => (piece() as FormPiece).source.form;

  test('is a sentence of live values; only what it has can be set', async () => {
    await show(newForm('a', 'Slab', usualForms().block));
    await type('Width', '300');
    await pick(/^Edges: /, 'plain');
    expect(form()).toMatchObject({ kind: 'block', widthMm: 300, edge: 'plain' });
    expect(screen.queryByText('Solid')).toBeNull();
    expect(screen.getByText(/^All of it/)).toBeTruthy();
  });

  test('a profile gets points, loses them, and has a wall or none', async () => {
    await show(newForm('a', 'Jug', usualForms().jug));
    await pick(/^Point of the profile: /, 'Point 4');
    await type('Radius', '110');
    await userEvent.click(screen.getByRole('button', { name: 'Add a point' }));
    expect((form() as { knots: object[] }).knots).toHaveLength(9);
    await userEvent.click(screen.getByRole('button', { name: 'Take it away' }));
    await type('Wall', '0');
    expect(form()).toMatchObject({ wallMm: 0 });
    expect((form() as { knots: { radiusMm: number }[] }).knots[3].radiusMm).toBe(110);
  });
});
