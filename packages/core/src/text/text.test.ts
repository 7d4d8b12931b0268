import { loadKernels } from '@fictile/kernels';
import { SHIPPED_FONTS } from '@fictile/fonts';
import { alone, shippedFaces } from '../testing/faces.ts';
import { usualLayout } from '../testing/layouts.ts';
import {
  BOX_GLYPH,
  caretStops,
  findFont,
  layoutWords,
  nearestStop,
  openFont,
  splitGraphemes,
  type FontFace,
  type Layout,
  type LayoutOptions,
} from './index.ts';

let faces: FontFace[];
beforeAll(async () => {
  faces = await shippedFaces();
});
const sans = (): FontFace => faces.find((f) => f.name === 'Work Sans') as FontFace;
const lay = (text: string, options: Partial<LayoutOptions> = {}, face = sans()): Layout =>
  layoutWords(
    splitGraphemes(text).map((t, i) => ({ id: i + 1, text: t })),
    alone(face),
    usualLayout(options),
  );
const widthOf = (layout: Layout, line = 0): number =>
  layout.letters.filter((l) => l.line === line).reduce((sum, l) => sum + l.advance, 0);

describe('layout', () => {
  test('the size is the height of capitals', () => {
    const { metrics } = sans();
    expect((lay('H').emMm / metrics.unitsPerEm) * metrics.capHeight).toBeCloseTo(72, 12);
    expect(metrics.capHeight).toBe(660);
  });

  test('alignment, lines and leading', () => {
    const [left, center, right] = (['left', 'center', 'right'] as const).map((align) => lay('Kiln\nRow', { align }));
    expect(left.letters[0].x).toBe(0);
    expect(center.letters[0].x).toBeCloseTo(-widthOf(center) / 2, 9);
    expect(right.letters[4].x).toBeCloseTo(-widthOf(right, 1), 9);
    const line = ((930 + 243) / 660) * 72;
    expect(left.letters[4].y).toBeCloseTo(-line, 9);
    expect(lay('a\nb', { leadingPercent: 50 }).letters[1].y).toBeCloseTo(-line / 2, 9);
  });

  test('anchors by the font’s metrics', () => {
    const y = (anchor: LayoutOptions['anchor']): number => lay('Kiln', { anchor }).letters[0].y;
    expect(y('baseline')).toBe(0);
    expect(y('top')).toBeCloseTo((-930 / 660) * 72, 9);
    expect(y('bottom')).toBeCloseTo((243 / 660) * 72, 9);
    expect(y('middle')).toBeCloseTo((y('top') + y('bottom')) / 2, 9);
  });

  test('kerning and tracking', () => {
    expect(widthOf(lay('AVA'))).toBeLessThan(widthOf(lay('AVA', { kerning: false })));
    expect(widthOf(lay('AVA', { tracking: 100 })) - widthOf(lay('AVA'))).toBeCloseTo(3 * 7.2, 9);
    const centred = lay('AVA', { tracking: 100, align: 'center' });
    expect(centred.letters[0].x).toBeCloseTo(-(widthOf(centred) - 7.2) / 2, 9);
  });

  test('letters carry the id of their first grapheme, words and lines', () => {
    const { letters } = lay('Row 17\nx');
    expect(letters.map((l) => [l.id, l.word, l.line])).toEqual([
      [1, 0, 0],
      [2, 0, 0],
      [3, 0, 0],
      [4, 0, 0],
      [5, 1, 0],
      [6, 1, 0],
      [8, 2, 1],
    ]);
  });

  test('what the font lacks is named once and stands as a box', () => {
    const layout = lay('a漢b漢');
    expect(layout.missing).toEqual(['漢']);
    expect(layout.letters[1].glyphs.map((g) => g.glyph)).toEqual([BOX_GLYPH]);
  });
});

test('texts are cut into what a person sees, and cleaned', () => {
  expect(splitGraphemes('e\u0301👩‍🔧x')).toEqual(['é', '👩‍🔧', 'x']);
  expect(splitGraphemes('a\r\nb\u2028c\u0007')).toEqual(['a', '\n', 'b', '\n', 'c']);
  expect(splitGraphemes('\ud800x')).toEqual(['\ufffd', 'x']);
  const heap = splitGraphemes(`e${'\u0323'.repeat(5000)}`);
  expect(heap.every((g) => g.length <= 256)).toBe(true);
  expect(heap.join('')).toHaveLength(5001 - (heap.join('').startsWith('ẹ') ? 1 : 0));
});

describe('caret', () => {
  const stopsOf = (text: string, options: Partial<LayoutOptions> = {}, face = sans()) => {
    const graphemes = splitGraphemes(text).map((t, i) => ({ id: i + 1, text: t }));
    const layout = layoutWords(graphemes, alone(face), usualLayout(options));
    return { layout, stops: caretStops(graphemes, layout.letters, layout.baselines) };
  };

  test('stands before each letter and behind the last, in every line', () => {
    const { layout, stops } = stopsOf('Ki\n\nRow');
    expect(stops.map((s) => [s.at, s.line])).toEqual([
      [0, 0],
      [1, 0],
      [2, 0],
      [3, 1],
      [4, 2],
      [5, 2],
      [6, 2],
      [7, 2],
    ]);
    expect(stops[1].x).toBe(layout.letters[1].x);
    expect(stops[2].x).toBe(layout.letters[1].x + layout.letters[1].advance);
    expect(stops[3]).toMatchObject({ x: 0, y: layout.baselines[1] });
    expect(stops[4].y).toBe(layout.letters[2].y);
  });

  test('words without letters have one place', () => {
    expect(stopsOf('').stops).toEqual([{ at: 0, line: 0, x: 0, y: 0, turn: 0 }]);
  });

  test('a ligature is shared out among its letters', () => {
    const letters = [{ id: 1, x: 10, y: 0, advance: 9, turn: 0, isRightToLeft: false }];
    const graphemes = [...'ffi'].map((text, i) => ({ id: i + 1, text }));
    expect(caretStops(graphemes, letters, [0]).map((s) => s.x)).toEqual([10, 13, 16, 19]);
  });

  test('in a line that runs to the left it stands at right edges', () => {
    const letters = [
      { id: 1, x: 20, y: 0, advance: 10, turn: 0, isRightToLeft: true },
      { id: 2, x: 5, y: 0, advance: 15, turn: 0, isRightToLeft: true },
    ];
    const graphemes = [...'אב'].map((text, i) => ({ id: i + 1, text }));
    expect(caretStops(graphemes, letters, [0]).map((s) => s.x)).toEqual([30, 20, 5]);
  });

  test('a point means the nearest place of the nearest line', () => {
    const { layout, stops } = stopsOf('Kiln\nRow');
    const second = layout.letters[5];
    const at = (x: number, y: number): number | undefined => nearestStop(stops, x, y, 72)?.at;
    expect(at(second.x + 0.4 * second.advance, second.y + 30)).toBe(6);
    expect(at(second.x + 0.6 * second.advance, second.y + 30)).toBe(7);
    expect(at(-999, 999)).toBe(0);
    expect(at(999, -999)).toBe(8);
    expect(nearestStop([], 0, 0, 72)).toBeUndefined();
  });
});

describe('fonts', () => {
  test('every shipped family opens, and the variable one follows its axes', async () => {
    const all = await shippedFaces(SHIPPED_FONTS.map((f) => f.family));
    expect(all.map((f) => f.name)).toEqual(SHIPPED_FONTS.map((f) => f.family));
    expect(
      findFont(SHIPPED_FONTS, { family: 'recursive', weight: 1200, italic: false, axes: { MONO: 1 } })?.axes,
    ).toMatchObject({ wght: 1000, MONO: 1 });
    expect(findFont(SHIPPED_FONTS, { family: 'Zilla Slab', weight: 600, italic: true, axes: {} })?.style.name).toBe(
      'Bold',
    );
    expect(findFont(SHIPPED_FONTS, { family: 'Nobody', weight: 400, italic: false, axes: {} })).toBeUndefined();
  });

  test.each<[string, number[], string]>([
    ['nothing', [], 'signature'],
    ['a picture', [0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 0, 0, 0, 0, 0], 'signature'],
    ['a mere signature', [0, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0], 'tables'],
  ])('%s is no font', async (_, row, why) => {
    const opened = openFont(await loadKernels(), { bytes: Uint8Array.from(row), hash: '', name: 'x', axes: {} });
    expect(opened).toEqual({ ok: false, error: { code: 'FONT_BROKEN', params: { name: 'x', why } } });
  });

  test('a web font is told to be packed', async () => {
    const bytes = Uint8Array.from([0x77, 0x4f, 0x46, 0x32, ...new Array<number>(40).fill(0)]);
    const opened = openFont(await loadKernels(), { bytes, hash: '', name: 'x', axes: {} });
    expect(opened.ok ? '' : opened.error.code).toBe('FONT_PACKED');
  });
});
