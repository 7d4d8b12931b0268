import { newForm, newPiece, newProject, usualForms } from '@fictile/core';
import { workshopCommands } from './workshopCommands.ts';

test('no two commands have one name, by which the search tells them apart', () => {
  const pieces = [newPiece('words', 'IL', ['I', 'L']), newForm('body', 'Slab', usualForms().block)];
  const project = newProject('p', 'Row', pieces);
  const ids = workshopCommands({
    store: { project, state: { history: { past: [], future: [] } } },
    actions: {},
    chosen: { ids: ['words'], pieces: [pieces[0]], items: [pieces[0]] },
    singleKeys: { areOn: true },
    view: {},
  } as unknown as Parameters<typeof workshopCommands>[0]).map(({ id }) => id);
  expect(ids.length).toBeGreaterThan(40);
  expect(new Set(ids).size).toBe(ids.length);
});
