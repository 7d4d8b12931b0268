/** @jest-environment jsdom */
import { jest } from '@jest/globals';
import type { Edit, Piece } from '@fictile/core';
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import type { CheckDefinition } from './definition.ts';
import { renderInside } from '../testing/render.tsx';

// A check that nobody has seen: its definition, its words, and nothing else.
const cure = {
  id: 'lighter',
  edit: ({ id: pieceId }: Piece): Edit => ({ kind: 'setSolid', pieceId, values: { depthMm: 4 } }),
};
const heavy: CheckDefinition = {
  id: 'heavy',
  look: ({ report, aim }) => (aim === 'print' ? { figure: `${report.volumeMm3} mm³`, tone: 'mind', cure } : undefined),
};
const { checkTexts } = await import('../words/checkTexts.ts');
const words = {
  ...checkTexts,
  names: { ...checkTexts.names, heavy: 'Clay' },
  cures: { ...checkTexts.cures, lighter: 'Make it thin' },
};
jest.unstable_mockModule('../words/checkTexts.ts', () => ({ checkTexts: words }));
const { CHECK_LIST } = await import('./list.ts');
jest.unstable_mockModule('./list.ts', () => ({ CHECK_LIST: [...CHECK_LIST, heavy] }));
const { applyEdit, checkMesh, formMesh, newPiece, newProject, usualForms } = await import('@fictile/core');
const { CheckRows, judge } = await import('./index.ts');

const report = checkMesh(
  formMesh({ ...usualForms().block, edge: 'plain', widthMm: 10, heightMm: 9, depthMm: 10 }, 0.1),
);
const subject = { isSheet: false, isLaidOut: false };

test('a new check is told among the others, for its aim alone, and its cure is an edit', async () => {
  const rows = judge(report, subject, 'print');
  expect(rows.at(-1)).toMatchObject({ label: 'Clay', figure: '900 mm³', tone: 'mind' });
  expect(judge(report, subject, 'render').map(({ id }) => id)).not.toContain('heavy');

  let project = newProject('p', 'Kiln', [newPiece('a', 'Kiln', ['K'])]);
  renderInside(
    <CheckRows
      rows={rows}
      onCure={({ edit }) => {
        const changed = applyEdit(project, edit(project.pieces.a, 'f'));
        if (changed.ok) project = changed.value;
      }}
    />,
  );
  expect(screen.getByText('Clay')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Make it thin' }));
  expect(project.pieces.a.body.solid.depthMm).toBe(4);
});
