/** @jest-environment jsdom */
import { screen, within } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { newProject, type SceneView } from '@fictile/core';
import { useState } from 'react';
import { renderInside } from '../testing/render.tsx';
import { ViewBar } from './ViewBar.tsx';
import { USUAL_VIEW, type ViewSettings } from '../views/index.ts';

let settings: ViewSettings;
let scene: SceneView;

function Bar() {
  const [view, setView] = useState(USUAL_VIEW);
  const [shown, setShown] = useState<SceneView>(newProject('p', 'p', []).view);
  settings = view;
  scene = shown;
  return (
    <ViewBar
      settings={view}
      onChange={setView}
      scene={shown}
      onScene={(values) => setShown({ ...shown, ...values })}
      pose={() => ({ from: [1.234, 2, 300.005], to: [0, 0, 0] })}
    />
  );
}

beforeEach(() => void renderInside(<Bar />));
const press = (name: string): Promise<void> => userEvent.click(screen.getByRole('button', { name }));

test('views are wished for, the same one again too', async () => {
  await press('Side');
  expect(settings.wish).toEqual({ serial: 1, view: 'side' });
  await press('Fit');
  expect(settings.wish).toEqual({ serial: 2, view: 'side' });
});

test('edges, parts, shading and grid are switched one by one', async () => {
  for (const name of ['Edges', 'Parts', 'Flat', 'Grid']) await press(name);
  expect(settings).toMatchObject({ showEdges: true, showGrid: true, mode: { parts: true, flat: true } });
  await press('Edges');
  expect([settings.showEdges, settings.showGrid]).toEqual([false, true]);
});

test('the light and the table', async () => {
  await press('Light');
  await userEvent.click(await screen.findByRole('menuitem', { name: 'Workshop window' }));
  await press('Light');
  await userEvent.click(await screen.findByRole('menuitem', { name: 'Table and shadow' }));
  expect(scene).toMatchObject({ surroundings: 'window', ground: false });
});

describe('views by name', () => {
  const keep = async (name: string): Promise<void> => {
    const field = screen.getByRole('textbox', { name: 'Keep this view as' });
    await userEvent.type(field, `${name}{Enter}`);
  };

  test('are kept once, looked from again, and dropped', async () => {
    await press('Views');
    expect(screen.getByText('No view is kept yet.')).toBeTruthy();
    await keep('Door');
    await keep('  Door ');
    await keep('   ');
    expect(scene.kept).toEqual([{ name: 'Door', from: [1.23, 2, 300.01], to: [0, 0, 0] }]);
    await press('Door');
    expect(settings.wish).toEqual({ serial: 1, view: scene.kept[0] });
    await press('Drop Door');
    expect(scene.kept).toEqual([]);
  });

  test('a second view shows another side than the first', async () => {
    await press('Front');
    await press('Views');
    const views = within(await screen.findByRole('dialog'));
    await userEvent.click(views.getByRole('switch', { name: 'Second view' }));
    expect(settings.second?.view).toBe('free');
    await userEvent.click(views.getByRole('switch', { name: 'Second view' }));
    expect(settings.second).toBeUndefined();
  });
});

test('the view follows what is chosen on request', async () => {
  await press('Views');
  await userEvent.click(await screen.findByRole('switch', { name: 'Follow what is chosen' }));
  expect(settings.follows).toBe(true);
});
