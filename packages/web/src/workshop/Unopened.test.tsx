/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { newPiece, newProject } from '@fictile/core';
import { Refused } from '../api/index.ts';
import { renderInside } from '../testing/render.tsx';
import { Unopened } from './Unopened.tsx';

const draft = { project: newProject('p', 'Kiln day', [newPiece('a', 'a', ['K'])]), baseRevision: 3 };
const at = '2026-11-30T12:00:00Z';
let sent: { path: string; body: unknown }[];
let done: string[];

function show(error: unknown, kept?: typeof draft): void {
  done = [];
  renderInside(
    <Unopened
      id="p"
      error={error}
      draft={kept}
      onOlder={(number) => done.push(`older ${number}`)}
      onAgain={() => done.push('again')}
    />,
  );
}

function answer(status: number, body: unknown): void {
  sent = [];
  globalThis.fetch = (async (path: string, init?: { body?: string }) => {
    sent.push({ path, body: JSON.parse(init?.body ?? 'null') });
    return { ok: status < 300, status, json: async () => body };
  }) as unknown as typeof fetch;
}

test('a draft of a project that is gone is made a project again, or it is said that it could not be', async () => {
  show(new Refused(404, { code: 'NOT_FOUND', params: {} }), draft);
  expect(screen.getByText(/“Kiln day”/)).toBeTruthy();
  answer(409, { error: { code: 'ALREADY_THERE', params: {} } });
  await userEvent.click(screen.getByRole('button', { name: 'Make it a project again' }));
  expect(await screen.findByText(/could not be made a project/)).toBeTruthy();
  answer(201, { revision: 1, updatedAt: at });
  await userEvent.click(screen.getByRole('button', { name: 'Make it a project again' }));
  expect(sent).toEqual([{ path: '/api/projects', body: { project: draft.project } }]);
  expect(done).toEqual(['again']);
});

test('a project that is gone without a draft is only told', () => {
  show(new Refused(404, { code: 'NOT_FOUND', params: {} }));
  expect(screen.getByText(/no such project/)).toBeTruthy();
  expect(screen.queryByRole('button')).toBeNull();
});

test('of one whose newest version can not be read the older ones are offered', async () => {
  const row = (number: number, name: string | null) => ({
    number,
    kind: 'saved',
    name,
    coreVersion: '1',
    createdAt: at,
  });
  answer(200, { revisions: [row(3, null), row(2, 'Before the fair'), row(1, null)] });
  show(new Refused(422, { code: 'REVISION_UNREADABLE', params: { revision: 3 } }));
  await userEvent.click(await screen.findByRole('button', { name: /Before the fair/ }));
  expect(done).toEqual(['older 2']);
  expect(screen.getAllByRole('button')).toHaveLength(2);
});
