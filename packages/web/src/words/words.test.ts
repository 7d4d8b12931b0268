import type { Failure, Remark } from '@fictile/core';
import { failureText, remarkText } from './index.ts';

const REMARKS: Remark[] = [
  { code: 'TEXT_EMPTY', params: {} },
  { code: 'GLYPH_MISSING', params: { characters: '陶', font: 'Work Sans' } },
  { code: 'FLAT_SHEET', params: {} },
  { code: 'EDGES_SCALED', params: { askedMm: 60, takenMm: 18 } },
  { code: 'SIDE_LEFT_STRAIGHT', params: { roomMm: 0.5 } },
  { code: 'EDGE_TOO_FINE', params: { leastMm: 0.25 } },
  { code: 'EDGE_MEETS', params: { letters: 'K i' } },
  { code: 'EDGE_JITTERED', params: { letters: 'K', byMm: 0.0001 } },
  { code: 'EDGE_OPENED', params: { letters: 'K', byMm: 0.02 } },
  { code: 'EDGE_NARROWED', params: { letters: 'K', askedMm: 4, takenMm: 2 } },
  { code: 'LETTER_LEFT_OUT', params: { letters: 'K' } },
  { code: 'OVER_BUDGET', params: { faces: 3_000_000, budget: 2_000_000 } },
  { code: 'TEXT_TOO_LONG', params: { characters: 10_000, limit: 2000 } },
  { code: 'LETTERS_CROSS', params: { letters: 'K i' } },
  { code: 'CURVE_OVERFULL', params: { byMm: 12 } },
  { code: 'LETTERS_APART', params: { letters: 'K i' } },
  { code: 'OUTLINE_TOO_LARGE', params: { letters: 'K', limit: 40_000 } },
  { code: 'ROUNDING_COLLAPSED', params: { faces: 12 } },
];
const FAILURES: Failure[] = [
  { code: 'FONT_UNKNOWN', params: { name: 'Nobody' } },
  { code: 'FONT_BROKEN', params: { name: 'Nobody', why: 'tables' } },
  { code: 'FONT_PACKED', params: { name: 'Nobody', format: 'woff2' } },
  { code: 'VALUE_OUT_OF_RANGE', params: { field: 'size', value: '99', min: 0, max: 9, unit: 'mm' } },
  { code: 'TOO_LARGE', params: { what: 'text', size: 9000, limit: 8000 } },
  { code: 'PROJECT_BROKEN', params: { path: 'name', why: 'too long' } },
  { code: 'DRAWING_BROKEN', params: { line: 3, why: 'xml' } },
  { code: 'DRAWING_BROKEN', params: { line: 0, why: 'not-svg' } },
  { code: 'DRAWING_BROKEN', params: { line: 0, why: 'size' } },
  { code: 'DRAWING_EMPTY', params: { skipped: 'text' } },
  { code: 'DRAWING_EMPTY', params: { skipped: '' } },
  { code: 'CANCELLED', params: {} },
];

test.each(REMARKS.map((remark) => [remark.code, remark] as const))('%s is told with all its values', (_, remark) => {
  const text = remarkText(remark);
  expect(text).toMatch(/^[A-Z0-9].{15,}/);
  for (const value of Object.values(remark.params)) {
    const shown = typeof value === 'number' ? value.toLocaleString('en', { maximumFractionDigits: 6 }) : String(value);
    expect(text).toContain(shown);
  }
});

test.each(FAILURES.map((failure) => [failure.code, failure] as const))('%s is told in plain words', (_, failure) => {
  const text = failureText(failure);
  expect(text).toMatch(/[.?]$/);
  expect(text).not.toMatch(/undefined|NaN|[A-Z]{3,}_/);
});
