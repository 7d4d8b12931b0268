/** @jest-environment jsdom */
import { screen } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { usualStep, type CutStep, type OntoStep, type Step, type StepRow } from '@fictile/core';
import { renderInside } from '../../testing/render.tsx';
import type { PieceEdits } from '../pieceEdits.ts';
import {
  bodyChanged,
  letInto,
  lyingOn,
  measuredFrom,
  pieceChanged,
  standingBy,
  standingIn,
  FRONT,
} from './putParts.ts';
import { type OtherPiece } from '../../fields/index.ts';
import { PutRow } from './PutRow.tsx';

const onto: OntoStep = { ...usualStep('onto', 'o'), target: 'slab', heldBy: 'middle', place: FRONT, method: 'flat' };
const cut: CutStep = { ...usualStep('cut', 'c'), target: 'words', sinkMm: 3 };
const box = { low: [-60, 0, -10] as const, high: [60, 80, 10] as const };
const other = (id: string, steps: Step[], kind: OtherPiece['kind'] = 'form'): OtherPiece => ({
  id,
  name: id.toUpperCase(),
  isBody: kind === 'form',
  kind,
  flat: box as never,
  steps,
});
const words = other('words', [onto], 'words');
const slab = other('slab', [cut]);

/** The row of a piece on a body, and what pressing in it changes. */
function row(
  side: 'piece' | 'body',
  { pieces = [words], bodies = [slab] } = {},
): { rows: StepRow[][]; said: () => string } {
  const rows: StepRow[][] = [];
  const edits = { stepsOf: (some: StepRow[]) => rows.push(some), takeBack: () => undefined } as unknown as PieceEdits;
  const standing = side === 'piece' ? standingBy(onto, pieces[0], bodies) : standingIn(cut, bodies[0], pieces);
  if (!standing) throw new Error('nothing stands there');
  const { container } = renderInside(
    <PutRow
      standing={standing}
      side={side}
      kind={standing.piece.kind}
      edits={edits}
      others={side === 'piece' ? bodies : pieces}
      picked={[]}
      laying={undefined}
      acts={undefined}
      laid={undefined}
    />,
  );
  return { rows, said: () => (container.textContent ?? '').replaceAll('\u2060', '').replace(/\s/g, ' ') };
}

const take = async (label: RegExp, item: string): Promise<void> => {
  await userEvent.click(screen.getByRole('button', { name: label }));
  await userEvent.click(await screen.findByRole('menuitem', { name: item }));
};

test('one sentence on both recipes', () => {
  expect(row('piece').said()).toContain(
    'These words are engraved 3 mm deep into SLAB, laid flat, held by their middle at the middle of its front.',
  );
  expect(row('body').said()).toContain(
    'WORDS is engraved 3 mm deep into this piece, laid flat, held by its middle at the middle of its front.',
  );
});

test('another way changes that alone, from either side', async () => {
  for (const side of ['piece', 'body'] as const) {
    const { rows } = row(side);
    await take(/^What it does: /, side === 'piece' ? 'stand raised' : 'lies on');
    expect(rows.at(-1)).toEqual([
      { pieceId: 'slab', steps: [{ ...cut, operation: side === 'piece' ? 'raise' : 'lie' }] },
    ]);
    document.body.innerHTML = '';
  }
});

test('another body takes over the way and the place; another piece takes the place, the one before is free', () => {
  const jug = other('jug', []);
  expect(bodyChanged(standingBy(onto, words, [slab, jug]), jug)).toEqual([
    { pieceId: 'words', steps: [{ ...onto, target: 'jug' }] },
    { pieceId: 'slab', steps: [] },
    { pieceId: 'jug', steps: [cut] },
  ]);
  const row = other('row', [], 'words');
  const standing = standingIn(cut, slab, [words, row]);
  expect(standing && pieceChanged(standing, row)).toMatchObject([
    { pieceId: 'words', steps: [] },
    { pieceId: 'row', steps: [{ kind: 'onto', target: 'slab', place: FRONT }] },
    { pieceId: 'slab', steps: [{ id: 'c', target: 'row', sinkMm: 3 }] },
  ]);
  // bodies cut from where they stand
  const ball = other('ball', []);
  expect(standing && pieceChanged(standing, ball).map(({ pieceId }) => pieceId)).toEqual(['words', 'slab']);
});

test('what lies there without a step, and what cuts from where it stands, is told on the other recipe too', () => {
  const plain = other('slab', []);
  expect(lyingOn(plain, [words])).toMatchObject([{ piece: words, body: plain, onto }]);
  expect(lyingOn(slab, [words])).toEqual([]);
  const free = other('words', [], 'words');
  expect(letInto(free, [slab])).toMatchObject([{ piece: free, body: slab, onto: undefined, cut }]);
  expect(letInto(words, [slab])).toEqual([]);
});

test.each([
  [{ acrossFrom: 'left' }, { acrossMm: 70, upMm: 5 }],
  [{ acrossFrom: 'right' }, { acrossMm: 50, upMm: 5 }],
  [{ upFrom: 'above' }, { acrossMm: 10, upMm: 35 }],
  [{ upFrom: 'below' }, { acrossMm: 10, upMm: 45 }],
] as const)('measured from %j it stays where it is', (from, mm) => {
  const place = { ...FRONT, acrossMm: 10, upMm: 5 };
  if (place.kind !== 'side') throw new Error('no side');
  const moved = measuredFrom(place, from, box as never);
  expect(moved).toEqual({ ...place, ...from, ...mm });
  const back =
    moved.kind === 'side' ? measuredFrom(moved, { acrossFrom: 'middle', upFrom: 'middle' }, box as never) : undefined;
  expect(back).toEqual(place);
});
