import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { loadKernels } from '@fictile/kernels';
import { unwrap } from '../base/index.ts';
import { alone, shippedFaces } from '../testing/faces.ts';
import { usualLayout } from '../testing/layouts.ts';
import {
  covers,
  findFamily,
  inkBox,
  layoutWords,
  openFont,
  splitGraphemes,
  standIns,
  type CircleLine,
  type FontFace,
  type FontFamily,
  type FontSet,
  type Layout,
  type LayoutOptions,
  type OwnPlace,
} from './index.ts';

const NAMES = [
  'Work Sans',
  'Noto Sans',
  'Noto Sans Arabic',
  'Noto Sans Hebrew',
  'Noto Sans Devanagari',
  'Noto Sans JP',
  'Noto Emoji',
];
let faces: Map<string, FontFace>;
beforeAll(async () => {
  faces = new Map((await shippedFaces(NAMES)).map((face) => [face.name, face]));
});
const face = (name: string): FontFace => faces.get(name) as FontFace;
/** A font with the others behind it, by what the catalogue says they cover. */
const withStandIns = (name: string): FontSet => {
  const order = standIns(SHIPPED_FONTS, 'sans').filter((f) => faces.has(f.family));
  const own = findFamily(SHIPPED_FONTS, name) as FontFamily;
  return {
    primary: face(name),
    faceFor: ({ text }) => face([own, ...order].find((f) => covers(f, text) || text.trim() === '')?.family ?? name),
  };
};
const lay = (text: string, options: Partial<LayoutOptions> = {}, fonts: FontSet = alone(face('Work Sans'))): Layout =>
  layoutWords(
    splitGraphemes(text).map((t, i) => ({ id: i + 1, text: t })),
    fonts,
    usualLayout(options),
  );
const sizeOf = (layout: Layout): number[] => {
  const box = inkBox(layout);
  return box ? [box.maxX - box.minX, box.maxY - box.minY] : [0, 0];
};
const lineWidth = (layout: Layout, line: number): number => {
  const row = layout.letters.filter((l) => l.line === line);
  return row[row.length - 1].x + row[row.length - 1].advance - row[0].x;
};
const seen = (layout: Layout): string => layout.letters.map((l) => l.text).join('|');

describe('mixed scripts', () => {
  // letters as they stand from left to right, checked by hand against the rules of UAX 9
  test.each<[string, string, LayoutOptions['direction'], string]>([
    ['Latin alone', 'Kiln 17', 'auto', 'K|i|l|n| |1|7'],
    ['Hebrew alone', 'שלום', 'auto', 'ם|ו|ל|ש'],
    ['a Hebrew word in Latin', 'at שלום we', 'auto', 'a|t| |ם|ו|ל|ש| |w|e'],
    ['a Latin word in Hebrew', 'שלום at לום', 'auto', 'ם|ו|ל| |a|t| |ם|ו|ל|ש'],
    ['the same with its line set to the right', 'at שלום', 'rtl', 'ם|ו|ל|ש| |a|t'],
    ['numbers in Hebrew', 'שלום 17', 'auto', '1|7| |ם|ו|ל|ש'],
    ['spaces at the end', 'שלום ', 'ltr', 'ם|ו|ל|ש| '],
    ['Arabic joins', 'كوز', 'auto', 'ز|و|ك'],
    ['a bracket is mirrored', 'א(ב)', 'auto', ')|ב|(|א'],
    ['Japanese and Latin', '窯 Kiln', 'auto', '窯| |K|i|l|n'],
    ['Devanagari', 'भट्टी', 'auto', 'भ|ट्टी'],
  ])('%s', (_, text, direction, expected) =>
    expect(seen(lay(text, { direction }, withStandIns('Work Sans')))).toBe(expected),
  );

  test('each script gets the font that has it; spaces inside stay with it', () => {
    const { stoodIn, missing, letters } = lay('Kiln كوز كوز 窯 👺', {}, withStandIns('Work Sans'));
    expect([...stoodIn.keys()].sort()).toEqual(['Noto Emoji', 'Noto Sans Arabic', 'Noto Sans JP']);
    expect(stoodIn.get('Noto Sans Arabic')).toEqual(['ك', 'و', 'ز']);
    expect(missing).toEqual([]);
    const arabic = letters.filter((l) => l.glyphs.some((g) => g.face === face('Noto Sans Arabic')));
    expect(arabic).toHaveLength(7);
    expect(arabic.every((l) => l.isRightToLeft)).toBe(true);
  });

  test('a letter in the middle of an Arabic word has another shape than one alone', () => {
    const glyphs = (text: string): string[] =>
      lay(text, {}, alone(face('Noto Sans Arabic'))).letters.map((l) => l.glyphs.map((g) => g.glyph).join(' '));
    expect(glyphs('ببب')[1]).not.toBe(glyphs('ب')[0]);
  });

  test('a character that a font names but leaves blank is one it lacks', async () => {
    const [monoton] = await shippedFaces(['Monoton']);
    expect([monoton.has(0x41), monoton.has(0x20), monoton.has(0x2126), monoton.has(0x3a9)]).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });

  test('stand-ins are of one em: their letters neither shrink nor grow', () => {
    const mixed = lay('窯', {}, withStandIns('Work Sans'));
    expect(mixed.letters[0].advance).toBeCloseTo(mixed.emMm, 9); // kanji are as wide as their em
  });

  test('capitals, as the language has them', () => {
    const upper = lay('aß', { capitals: 'upper' }, alone(face('Noto Sans'))).letters;
    expect(upper.map((l) => [l.id, l.text, l.glyphs.length])).toEqual([
      [1, 'a', 1],
      [2, 'ß', 2],
    ]);
    const glyph = (text: string, options: Partial<LayoutOptions>): number =>
      lay(text, options, alone(face('Noto Sans'))).letters[0].glyphs[0].glyph;
    expect(glyph('i', { capitals: 'upper' })).toBe(glyph('I', {}));
    expect(glyph('i', { capitals: 'upper', language: 'tr' })).toBe(glyph('İ', {}));
  });

  test('small capitals where the font has them, else told', () => {
    expect(lay('k', { capitals: 'small' }, alone(face('Noto Sans Hebrew'))).lacksSmallCapitals).toBe(true);
    const { letters, lacksSmallCapitals } = lay('k', { capitals: 'small' });
    expect(lacksSmallCapitals).toBe(false);
    expect(letters[0].glyphs[0].glyph).not.toBe(lay('k').letters[0].glyphs[0].glyph);
  });
});

describe('setting', () => {
  test('the size is of capitals, of x, or of the em', () => {
    const { metrics } = face('Work Sans');
    const em = (sizeBy: LayoutOptions['sizeBy']): number => lay('x', { sizeBy }).emMm;
    expect(em('em')).toBe(72);
    expect((em('xHeight') * metrics.xHeight) / metrics.unitsPerEm).toBeCloseTo(72, 9);
    expect((em('capitals') * metrics.capHeight) / metrics.unitsPerEm).toBeCloseTo(72, 9);
  });

  test.each<[LayoutOptions['fit']['to'], number[]]>([
    ['width', [300, 0]],
    ['height', [0, 50]],
    ['box', [300, 50]],
  ])('fitted to a %s, exactly, whatever else is set', (to, [wide, high]) => {
    const fit = { to, widthMm: 300, heightMm: 50, onlyShrink: false };
    for (const options of [{}, { tracking: 80, slantDegrees: 12 }, { widthPercent: 60, heightPercent: 140 }]) {
      const [width, height] = sizeOf(lay('Kiln\nopening', { fit, ...options }));
      if (to === 'width') expect(width).toBeCloseTo(wide, 3);
      if (to === 'height') expect(height).toBeCloseTo(high, 3);
      if (to === 'box') expect(Math.max(width / wide, height / high)).toBeCloseTo(1, 5);
    }
  });

  test('only shrunk: what has room keeps its size', () => {
    const fit = { to: 'width', widthMm: 5000, heightMm: 1, onlyShrink: true } as const;
    expect(lay('Kiln', { fit }).sizeMm).toBe(72);
    expect(sizeOf(lay('Kiln', { fit: { ...fit, widthMm: 50 } }))[0]).toBeCloseTo(50, 3);
    expect(lay('', { fit }).letters).toEqual([]);
  });

  test('justified lines are all as wide as the widest', () => {
    const layout = lay('Saltglaze Row\na b c\nKiln', { align: 'justify' });
    const natural = lay('Saltglaze Row');
    for (const line of [0, 1, 2]) expect(lineWidth(layout, line)).toBeCloseTo(lineWidth(natural, 0), 9);
    const [a, , b] = layout.letters.filter((l) => l.line === 1);
    expect(b.x - a.x).toBeGreaterThan(lineWidth(natural, 0) / 3); // at the spaces, not between letters
  });

  test('word space, width, height and slant', () => {
    const natural = lay('a b');
    const wide = lay('a b', { wordSpacePercent: 300 });
    expect(lineWidth(wide, 0) - lineWidth(natural, 0)).toBeCloseTo(2 * natural.letters[1].advance, 9);
    const [w, h] = sizeOf(lay('H'));
    const [w2, h2] = sizeOf(lay('H', { widthPercent: 50, heightPercent: 200 }));
    expect([w2, h2].map((v, i) => v / [w, h][i])).toEqual([expect.closeTo(0.5, 9), expect.closeTo(2, 9)]);
    const [leant] = sizeOf(lay('H', { slantDegrees: 45 }));
    expect(leant - w).toBeCloseTo(h, 6);
  });
});

describe('round a circle', () => {
  const circle = (values: Partial<CircleLine> = {}): CircleLine =>
    ({
      ...{ kind: 'circle', radiusMm: 200, side: 'outside', startDegrees: 0 },
      ...{ direction: 'clockwise', spreadDegrees: 0, letters: 'turned' },
      ...values,
    }) as CircleLine;
  const round = (text: string, values: Partial<CircleLine> = {}, options: Partial<LayoutOptions> = {}): Layout =>
    lay(text, { line: circle(values), align: 'center', ...options });
  /** Middle of a letter's advance. */
  const middles = ({ letters }: Layout): [number, number][] =>
    letters.map((l) => [l.x + (Math.cos(l.turn) * l.advance) / 2, l.y + (Math.sin(l.turn) * l.advance) / 2]);
  const radii = (layout: Layout): number[] => middles(layout).map(([x, y]) => Math.hypot(x, y));

  test.each<[CircleLine['side'], CircleLine['direction'], number]>([
    ['outside', 'clockwise', 200],
    ['center', 'clockwise', 164],
    ['inside', 'clockwise', 128],
    ['outside', 'counter', 272],
    ['center', 'counter', 236],
    ['inside', 'counter', 200],
  ])('%s, %s: baselines at %d mm', (side, direction, radius) => {
    for (const r of radii(round('Saltglaze', { side, direction }))) expect(r).toBeCloseTo(radius, 9);
  });

  test('the middle of the line is where it starts from; one letter stands upright there', () => {
    const [top] = round('I').letters;
    expect([top.turn, top.x + top.advance / 2, top.y]).toEqual([
      expect.closeTo(0, 12),
      expect.closeTo(0, 9),
      expect.closeTo(200, 9),
    ]);
    const [right] = round('I', { startDegrees: 90 }).letters;
    expect(right.turn).toBeCloseTo(-Math.PI / 2, 12);
    const [foot] = round('I', { direction: 'counter', startDegrees: 180, side: 'inside' }).letters;
    expect([foot.turn, foot.y]).toEqual([expect.closeTo(0, 12), expect.closeTo(-200, 9)]);
  });

  test('the way along the circle is as long as the letters are, and spread over an arc on request', () => {
    const arc = (layout: Layout): number => {
      const row = middles(layout);
      const angle = ([x, y]: [number, number]): number => Math.atan2(x, y);
      return angle(row[row.length - 1]) - angle(row[0]);
    };
    const straight = lay('Kiln').letters;
    const between = straight[3].x + straight[3].advance / 2 - straight[0].x - straight[0].advance / 2;
    expect(arc(round('Kiln')) * 200).toBeCloseTo(between, 6);
    const spread = round('Kiln', { spreadDegrees: 180 });
    const ends = (straight[0].advance + straight[3].advance) / 2;
    expect(arc(spread) * 200).toBeCloseTo(Math.PI * 200 - ends, 6);
  });

  test('longer than the circle is told; a second line runs inside the first', () => {
    const text = 'Saltglaze Row kiln opening weekend';
    const { lacksMm } = round(text, { radiusMm: 60 });
    expect(lacksMm).toBeGreaterThan(100);
    expect(round(text, { radiusMm: 60 + lacksMm - 1 }).lacksMm).toBeCloseTo(1, 6);
    expect(round(text, { radiusMm: 60 + lacksMm + 1 }).lacksMm).toBe(0);
    const two = round('Kiln\nRow');
    expect(two.lacksMm).toBe(0);
    expect(Math.hypot(...middles(two)[5])).toBeLessThan(200 - 50);
  });

  test('fitted on a circle too', () => {
    const fit = { to: 'width', widthMm: 300, heightMm: 1, onlyShrink: false } as const;
    expect(sizeOf(round('Kiln', {}, { fit }))[0]).toBeCloseTo(300, 2);
  });

  test('sheared letters keep their stems upright', () => {
    const { letters } = round('Kiln', { letters: 'sheared' });
    expect(letters.every((l) => l.form[0] === 1 && l.form[1] === 0 && l.turn === 0)).toBe(true);
    expect(letters[0].form[2]).toBeGreaterThan(0);
  });
});

describe('letters that stand apart', () => {
  const own = (values: Partial<OwnPlace>): LayoutOptions['own'] => ({
    2: { moveMm: [0, 0], turnDegrees: 0, scalePercent: 100, leftOut: false, ...values },
  });
  const boxOf = (layout: Layout, id: number) =>
    inkBox({ ...layout, letters: layout.letters.filter((l) => l.id === id) });
  const plain = (): Layout => lay('AHA');

  test('are moved without moving the others', () => {
    const { letters } = lay('AHA', { own: own({ moveMm: [5, -3] }) });
    const before = plain().letters;
    expect([letters[1].x - before[1].x, letters[1].y - before[1].y]).toEqual([5, -3]);
    expect([letters[0], letters[2]]).toEqual([before[0], before[2]]);
  });

  test('are turned about their middle and scaled about their foot', () => {
    const straight = boxOf(plain(), 2);
    const turned = boxOf(lay('AHA', { own: own({ turnDegrees: 90 }) }), 2);
    const larger = boxOf(lay('AHA', { own: own({ scalePercent: 200 }) }), 2);
    if (!straight || !turned || !larger) throw new Error('no ink');
    expect(turned.maxX - turned.minX).toBeCloseTo(straight.maxY - straight.minY, 6);
    expect(turned.minY + turned.maxY).toBeCloseTo(straight.minY + straight.maxY, 6);
    expect([larger.minY, larger.maxY]).toEqual([
      expect.closeTo(straight.minY, 6),
      expect.closeTo(2 * straight.maxY, 6),
    ]);
    expect(larger.maxX - larger.minX).toBeCloseTo(2 * (straight.maxX - straight.minX), 6);
  });

  test('left out, their room stays', () => {
    const { letters } = lay('AHA', { own: own({ leftOut: true }) });
    expect([letters[1].glyphs, letters[2].x]).toEqual([[], plain().letters[2].x]);
  });

  test('on a circle they turn on top of what the circle does', () => {
    const line: CircleLine = {
      kind: 'circle',
      radiusMm: 200,
      side: 'outside',
      startDegrees: 90,
      direction: 'clockwise',
      spreadDegrees: 0,
      letters: 'turned',
    };
    const turn = (options: Partial<LayoutOptions>): number =>
      lay('AHA', { line, align: 'center', ...options }).letters[1].turn;
    expect(turn({ own: own({ turnDegrees: 30 }) }) - turn({})).toBeCloseTo(Math.PI / 6, 12);
  });
});

test('a variable font takes its axes', async () => {
  const { styles } = findFamily(SHIPPED_FONTS, 'Recursive') as FontFamily;
  const bytes = (await readFont(styles[0].hash)) as Uint8Array;
  const at = async (wght: number): Promise<FontFace> =>
    unwrap(openFont(await loadKernels(), { bytes, hash: 'r', name: 'r', axes: { wght } }));
  const [light, heavy] = [await at(300), await at(1000)];
  expect(light.key).not.toBe(heavy.key);
  expect(sizeOf(lay('l', {}, alone(heavy)))[0]).toBeGreaterThan(sizeOf(lay('l', {}, alone(light)))[0]);
});
