import { newGroup, newPiece, newProject, applyEdit, treeRows, unwrap } from '@fictile/core';
import { besideRow, openRows, steppedTo } from './treeMoves.ts';

const project = unwrap(
  applyEdit(
    newProject(
      'p',
      'P',
      [...'abcd'].map((id) => newPiece(id, id, [id])),
    ),
    {
      kind: 'many',
      edits: [
        { kind: 'addGroup', group: newGroup('g', 'g'), items: ['b', 'c'] },
        { kind: 'addGroup', group: newGroup('h', 'h'), items: ['c'] },
      ],
    },
  ),
);
// a, g: (b, h: (c)), d
const rows = treeRows(project);
const row = (id: string) => rows.find((one) => one.id === id) as (typeof rows)[number];

test('closed groups hide all that is in them', () => {
  expect(openRows(rows, new Set(['h'])).map(({ id }) => id)).toEqual(['a', 'g', 'b', 'h', 'd']);
  expect(openRows(rows, new Set(['g', 'h'])).map(({ id }) => id)).toEqual(['a', 'g', 'd']);
});

test('beside a row; behind a group that is open its first place is meant', () => {
  expect(besideRow(rows, row('b'), { side: 'before', isOpen: false })).toEqual({ within: 'g', before: 'b' });
  expect(besideRow(rows, row('b'), { side: 'after', isOpen: false })).toEqual({ within: 'g', before: 'h' });
  expect(besideRow(rows, row('g'), { side: 'after', isOpen: true })).toEqual({ within: 'g', before: 'b' });
  expect(besideRow(rows, row('g'), { side: 'after', isOpen: false })).toEqual({ within: '', before: 'd' });
  expect(besideRow(rows, row('d'), { side: 'after', isOpen: false })).toEqual({ within: '', before: undefined });
});

test('keys take a row past its neighbours, into the group before it and out of its own', () => {
  expect(steppedTo(rows, 'a', 'up')).toBeUndefined();
  expect(steppedTo(rows, 'a', 'down')).toEqual({ within: '', before: 'd' });
  expect(steppedTo(rows, 'g', 'down')).toEqual({ within: '', before: undefined });
  expect(steppedTo(rows, 'd', 'up')).toEqual({ within: '', before: 'g' });
  expect(steppedTo(rows, 'd', 'in')).toEqual({ within: 'g', before: undefined });
  expect(steppedTo(rows, 'g', 'in')).toBeUndefined();
  expect(steppedTo(rows, 'c', 'out')).toEqual({ within: 'g', before: undefined });
  expect(steppedTo(rows, 'a', 'out')).toBeUndefined();
});
