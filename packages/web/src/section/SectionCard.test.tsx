/** @jest-environment jsdom */
import { act, cleanup, screen, waitFor, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { newPiece, newProject, type Piece } from '@fictile/core';
import type { KeptShape } from '@fictile/contract';
import { useSyncExternalStore } from 'react';
import { ProjectStore } from '../store/index.ts';
import { renderInside, serve } from '../testing/render.tsx';
import { GeometryShelf } from '../viewport/geometries.ts';
import { SectionCard } from './index.ts';

let store: ProjectStore;
let kept: KeptShape[];
let isOpen: boolean;
const piece = (): Piece => store.project.pieces.a;
const front = () => piece().body.solid.front;

function Card() {
  const { history } = useSyncExternalStore(store.subscribe, () => store.state);
  const close = (): void => void (isOpen = false);
  return (
    <SectionCard
      store={store}
      pieces={[history.project.pieces.a]}
      shown={undefined}
      shelf={new GeometryShelf()}
      picked={[]}
      onClose={close}
    />
  );
}

beforeEach(() => {
  kept = [];
  isOpen = true;
  serve({
    'GET /api/shapes': () => ({ body: { shapes: kept } }),
    'PUT /api/shapes/edge/Kiln%20lip': (body) => {
      kept = [{ kind: 'edge', name: 'Kiln lip', points: (body as KeptShape).points }];
      return { status: 204, body: {} };
    },
    'DELETE /api/shapes/edge/Kiln%20lip': () => {
      kept = [];
      return { status: 204, body: {} };
    },
  });
  localStorage.clear();
  store = new ProjectStore({
    project: newProject('p', 'Kiln', [newPiece('a', 'Kiln', [...'Kiln'])]),
    revision: 1,
    updatedAt: '2026-11-25T12:00:00Z',
  });
  renderInside(<Card />);
});
afterEach(() => {
  cleanup();
  store.stop();
});

const press = (name: string | RegExp): Promise<void> => userEvent.click(screen.getByRole('button', { name }));
const focus = (name: RegExp): void => act(() => screen.getByRole('button', { name }).focus());

test('sizes are pulled at their rings, by keyboard too, each row of presses one step of undo', async () => {
  focus(/^Where the edge meets the face/);
  await userEvent.keyboard('{ArrowRight}');
  expect(front().inMm).toBeGreaterThan(2);
  focus(/^Where the edge meets the side/);
  await userEvent.keyboard('{Shift>}{ArrowDown}{/Shift}');
  expect(front().deepMm).toBeGreaterThan(2);
  act(() => store.undo());
  expect([front().inMm > 2, front().deepMm]).toEqual([true, 2]);
});

test('an edge is drawn on from its kind: points are moved, turned, added and dropped', async () => {
  await press('Draw on from here');
  expect(front().kind).toBe('drawn');
  const before = front().points;
  expect(before).toHaveLength(3);
  focus(/^Point 2,/);
  await userEvent.keyboard('{ArrowLeft}{ArrowLeft}');
  expect(front().points[1].in).toBeLessThan(before[1].in);
  await userEvent.keyboard('{Enter}');
  expect(front().points[1].smooth).toBe(false);
  await press('Add a point');
  expect(front().points).toHaveLength(4);
  await press('Drop it');
  focus(/^Point 1,/);
  await userEvent.keyboard('{Delete}');
  expect(front().points).toHaveLength(2);
});

test('a point goes where its numbers say, beyond the outline too', async () => {
  await press('Draw on from here');
  focus(/^Point 1,/);
  const type = async (name: string, text: string): Promise<void> => {
    act(() => screen.getByRole('spinbutton', { name }).focus());
    await userEvent.keyboard(`{Enter}${text}{Enter}`);
  };
  await type('Point, in', '-40');
  await type('Point, down', '30');
  expect(front().points[0]).toMatchObject({ in: -0.4, down: 0.3 });
});

test('a drawn side is kept while another kind is chosen', async () => {
  await userEvent.click(screen.getByRole('radio', { name: 'side' }));
  await press('waisted');
  await press('drawn');
  const { points } = piece().body.solid.side;
  expect(points).toHaveLength(3);
  await press('V-shaped');
  await press('drawn');
  expect(piece().body.solid.side).toMatchObject({ kind: 'drawn', points });
});

test('steps of a point’s number are a step of undo of their own', async () => {
  await press('Draw on from here');
  focus(/^Point 1,/);
  await userEvent.keyboard('{ArrowLeft}');
  const moved = front().points[0];
  act(() => screen.getByRole('spinbutton', { name: 'Point, down' }).focus());
  await userEvent.keyboard('{ArrowUp}{ArrowUp}');
  expect(front().points[0].down).toBeCloseTo(moved.down + 0.02, 9);
  act(() => store.undo());
  expect(front().points[0]).toEqual(moved);
});

test('kinds are chosen by their pictures; a crossing is marked where it is', async () => {
  await press('an ogee');
  expect(front().kind).toBe('ogee');
  await userEvent.click(screen.getByRole('radio', { name: 'side' }));
  await press('drawn');
  expect(piece().body.solid.side).toMatchObject({ kind: 'drawn', points: [] });
  expect(screen.queryByText('crosses here')).toBeNull();
  act(() =>
    store.edit({
      kind: 'setSolid',
      pieceId: 'a',
      values: {
        side: {
          ...piece().body.solid.side,
          points: [
            { in: 1, down: 0.8, smooth: false },
            { in: 2, down: 0.8, smooth: false },
            { in: 2, down: 0.2, smooth: false },
          ],
        },
      },
    }),
  );
  expect(await screen.findByText('crosses here')).toBeTruthy();
});

test('shapes are kept by name, taken again and dropped', async () => {
  await press('Draw on from here');
  await userEvent.type(screen.getByRole('textbox', { name: 'Keep this one as' }), ' Kiln lip {Enter}');
  const shelf = await screen.findByRole('group', { name: 'Kept shapes' });
  expect(kept[0].points).toEqual(front().points);
  await press('plain');
  await userEvent.click(within(shelf).getByRole('button', { name: 'Kiln lip' }));
  expect(front()).toMatchObject({ kind: 'drawn', points: kept[0].points });
  await press('Drop Kiln lip');
  await waitFor(() => expect(screen.queryByRole('group', { name: 'Kept shapes' })).toBeNull());
});

test('a sheet has no section, and Escape closes the card', async () => {
  act(() => store.edit({ kind: 'setSolid', pieceId: 'a', values: { depthMm: 0 } }));
  expect(await screen.findByText(/a flat sheet has no side/)).toBeTruthy();
  await userEvent.keyboard('{Escape}');
  expect(isOpen).toBe(false);
});
