import { cureOf, newForm, newPiece, usualForms, usualStep, type Failure, type Remark } from '@fictile/core';
import { FAILURES, REMARKS, sentenceFaults } from '../../../core/src/testing/told.ts';
import { cureText, failureText, remarkText } from './index.ts';

/** Those whose sentence has every value. */
const SAY_ALL: ReadonlySet<string> = new Set([
  'GLYPH_MISSING',
  'EDGES_SCALED',
  'SIDE_LEFT_STRAIGHT',
  'EDGE_TOO_FINE',
  'EDGE_MEETS',
  'EDGE_JITTERED',
  'EDGE_OPENED',
  'EDGE_NARROWED',
  'LETTER_LEFT_OUT',
  'OVER_BUDGET',
  'TEXT_TOO_LONG',
  'LETTERS_CROSS',
  'CURVE_OVERFULL',
  'LETTERS_APART',
  'OUTLINE_TOO_LARGE',
  'ROUNDING_COLLAPSED',
]);

test.each(Object.entries(REMARKS))('%s is told in a sentence, and its cure on a button', (code, params) => {
  const told = { code, params } as Remark;
  expect(sentenceFaults(remarkText(told), params)).toEqual([]);
  for (const value of SAY_ALL.has(code) ? Object.values(params as Record<string, number | string>) : [])
    expect(remarkText(told)).toContain(
      typeof value === 'number' ? value.toLocaleString('en', { maximumFractionDigits: 6 }) : value,
    );
  for (const piece of [newPiece('a', 'Kiln', ['K']), newForm('a', 'Slab', usualForms().block)]) {
    const steps = [{ ...usualStep('onto', 'step'), target: 'b' }];
    const cure = cureOf(told, { ...piece, steps }, { pieces: {}, freshId: 'f' });
    if (cure) expect(cureText(cure)).toMatch(/^[A-Z\d][^{}[\]]{3,40}$/);
  }
});

test.each(Object.entries(FAILURES))('%s is told in a sentence', (code, params) => {
  const text = failureText({ code, params } as Failure);
  expect(sentenceFaults(text, {})).toEqual([]);
  expect(text).toMatch(/[.?]$/);
});
