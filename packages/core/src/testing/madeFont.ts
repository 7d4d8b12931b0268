import { writeSfnt } from '../text/index.ts';

type Point = readonly [number, number];

const shorts = (...values: number[]): number[] => values.flatMap((v) => [(v >> 8) & 255, v & 255]);
const longs = (...values: number[]): number[] => values.flatMap((v) => [...shorts(v >>> 16), ...shorts(v & 65535)]);

/** A glyph of contours of straight edges (OpenType, glyf). */
export function simpleGlyph(contours: readonly (readonly Point[])[]): number[] {
  let last = -1;
  const ends = contours.map((contour) => (last += contour.length));
  const points = contours.flat();
  const deltas = (k: 0 | 1): number[] => points.map((p, i) => p[k] - (i === 0 ? 0 : points[i - 1][k]));
  const box = shorts(0, 0, 1000, 1000);
  const x = deltas(0).flatMap((v) => shorts(v));
  return [
    ...shorts(contours.length),
    ...box,
    ...shorts(...ends),
    ...shorts(0),
    ...points.map(() => 1),
    ...x,
    ...deltas(1).flatMap((v) => shorts(v)),
  ];
}

/** A glyph made of others, each where it stands. */
export function compositeGlyph(parts: readonly number[]): number[] {
  const MORE = 0x20;
  const rows = parts.map((glyph, i) => shorts(3 + (i + 1 < parts.length ? MORE : 0), glyph, 0, 0));
  return [...shorts(-1), ...shorts(0, 0, 1000, 1000), ...rows.flat()];
}

/**
 * A font file of glyphs: glyph 0 is none, the others stand for the characters from "A" on. `glyphCount`: what it claims
 * to hold.
 */
export function madeFont(glyphs: readonly (readonly number[])[], glyphCount = glyphs.length): Uint8Array {
  const padded = glyphs.map((glyph) => [...glyph, ...Array<number>((4 - (glyph.length % 4)) % 4).fill(0)]);
  const offsets = [0];
  for (const glyph of padded) offsets.push(offsets[offsets.length - 1] + glyph.length);
  while (offsets.length < glyphCount + 1) offsets.push(offsets[offsets.length - 1]);
  const table = (bytes: readonly number[]): Uint8Array => Uint8Array.from(bytes);
  const last = 0x41 + glyphs.length - 2;
  const cmap = [
    ...shorts(0, 1, 3, 1),
    ...longs(12),
    ...shorts(4, 32, 0, 4, 4, 1, 0, last, 0xffff, 0, 0x41, 0xffff, 1 - 0x41, 1, 0, 0),
  ];
  return writeSfnt({
    flavour: 0x00010000,
    tables: new Map([
      [
        'head',
        table([
          ...longs(0x00010000, 0, 0, 0x5f0f3cf5),
          ...shorts(0, 1000),
          ...longs(0, 0, 0, 0),
          ...shorts(0, 0, 1000, 1000, 0, 8, 2, 1, 0),
        ]),
      ],
      ['maxp', table([...longs(0x00010000), ...shorts(glyphCount), ...shorts(...Array<number>(13).fill(0))])],
      [
        'hhea',
        table([...longs(0x00010000), ...shorts(800, -200, 0), ...shorts(...Array<number>(11).fill(0)), ...shorts(1)]),
      ],
      ['hmtx', table([...shorts(1000, 0), ...Array<number>(2 * Math.max(0, glyphCount - 1)).fill(0)])],
      ['cmap', table(cmap)],
      ['loca', table(longs(...offsets))],
      ['glyf', table(padded.flat())],
    ]),
  });
}
