import { SHIPPED_FONTS } from '@fictile/fonts';
import { shippedFaces } from '../testing/faces.ts';
import { usualLayout } from '../testing/layouts.ts';
import {
  covers,
  findFamily,
  layoutWords,
  splitGraphemes,
  standIns,
  standInsByWord,
  type FontFace,
  type FontFamily,
  type FontSet,
  type Grapheme,
  type LayoutOptions,
} from './index.ts';

type Line = [seen: string, fonts: string, total?: number];

/**
 * Paragraphs of mixed scripts. By line: letters as they stand from left to right (by hand, after the rules of UAX 9),
 * the fonts of its runs by their letters below, and, where no letter changes its shape, its width in thousandths of an
 * em, added up from the fonts' own tables by another program. Kerning and ligatures are off.
 */
const PARAGRAPHS: [text: string, direction: LayoutOptions['direction'], lines: Line[]][] = [
  [
    'Kiln opening\nSaturday 17',
    'auto',
    [
      ['K|i|l|n| |o|p|e|n|i|n|g', 'W', 6167],
      ['S|a|t|u|r|d|a|y| |1|7', 'W', 5907],
    ],
  ],
  ['Ёлка и чаша', 'auto', [['Ё|л|к|а| |и| |ч|а|ш|а', 'N', 6027]]],
  ['πηλός και φωτιά', 'auto', [['π|η|λ|ό|ς| |κ|α|ι| |φ|ω|τ|ι|ά', 'N', 8144]]],
  [
    'שלום\nכד 17',
    'auto',
    [
      ['ם|ו|ל|ש', 'H', 2383],
      ['1|7| |ד|כ', 'WH', 2448],
    ],
  ],
  ['kiln כבשן row', 'auto', [['k|i|l|n| |ן|ש|ב|כ| |r|o|w', 'WHW', 6675]]],
  ['כבשן kiln row חימר', 'auto', [['ר|מ|י|ח| |k|i|l|n| |r|o|w| |ן|ש|ב|כ', 'HWH', 9188]]],
  ['kiln כבשן', 'rtl', [['ן|ש|ב|כ| |k|i|l|n', 'HW', 4441]]],
  ['כבשן kiln', 'ltr', [['ן|ש|ב|כ| |k|i|l|n', 'HW', 4441]]],
  ['כד 1,250 מ', 'auto', [['מ| |1|,|2|5|0| |ד|כ', 'HWH', 4912]]],
  ['מחיר: 12.50₪', 'auto', [['1|2|.|5|0|₪| |:|ר|י|ח|מ', 'WNWH', 6295]]],
  ['a (כד) b', 'auto', [['a| |(|ד|כ|)| |b', 'WHW', 3650]]],
  ['כד (a) חימר', 'auto', [['ר|מ|י|ח| |)|a|(| |ד|כ', 'HWH', 5286]]],
  ['חימר [kiln 3] כד!', 'auto', [['!|ד|כ| |]|k|i|l|n| |3|[| |ר|מ|י|ח', 'WHWH', 7800]]],
  ['كوز', 'auto', [['ز|و|ك', 'A']]],
  ['فرن الخزف', 'auto', [['ف|ز|خ|ل|ا| |ن|ر|ف', 'A']]],
  ['kiln فرن 17', 'auto', [['k|i|l|n| |1|7| |ن|ر|ف', 'WA']]],
  ['فرن ١٧ kiln', 'auto', [['k|i|l|n| |١|٧| |ن|ر|ف', 'WA']]],
  ['فرن 17-18', 'auto', [['1|8|-|1|7| |ن|ر|ف', 'WA']]],
  ['सलाम', 'auto', [['स|ला|म', 'N']]],
  ['भट्टी kiln', 'auto', [['भ|ट्टी| |k|i|l|n', 'NW']]],
  ['क्षेत्र कि', 'auto', [['क्षे|त्र| |कि', 'N']]],
  ['窯と土', 'auto', [['窯|と|土', 'J', 3000]]],
  ['Kiln 窯 17', 'auto', [['K|i|l|n| |窯| |1|7', 'WJW', 4585]]],
  ['窯 כבשן فرن', 'auto', [['窯| |ن|ر|ف| |ן|ש|ב|כ', 'JWAWH']]],
  ['fire 🔥 kiln', 'auto', [['f|i|r|e| |🔥| |k|i|l|n', 'WEW', 5459]]],
  ['🔥כד🔥', 'auto', [['🔥|ד|כ|🔥', 'EHE', 3638]]],
  ['café naïve Å', 'auto', [['c|a|f|é| |n|a|ï|v|e| |Å', 'W', 6042]]],
  ['e\u0301 n\u0303 kiln', 'auto', [['é| |ñ| |k|i|l|n', 'W', 3627]]],
  ['W→כד←W', 'auto', [['W|→|ד|כ|←|W', 'WHW', 4641]]],
  [
    'Straße 5\nכד כד\nпечь',
    'auto',
    [
      ['S|t|r|a|ß|e| |5', 'W', 4208],
      ['ד|כ| |ד|כ', 'H', 2468],
      ['п|е|ч|ь', 'N', 2247],
    ],
  ],
  ['x\u200fכד\u200e!', 'auto', [['x|ד|כ|\u200f|\u200e|!', 'WHW', 2047]]],
  ['kiln\t窯\tפה', 'auto', [['k|i|l|n|\t|窯|\t|ה|פ', 'WJWH', 4713]]],
];
const FONTS: Readonly<Record<string, string>> = {
  'Work Sans': 'W',
  'Noto Sans': 'N',
  'Noto Sans Arabic': 'A',
  'Noto Sans Hebrew': 'H',
  'Noto Sans Devanagari': 'D',
  'Noto Sans JP': 'J',
  'Noto Emoji': 'E',
};

let faces: Map<string, FontFace>;
beforeAll(async () => {
  faces = new Map((await shippedFaces(Object.keys(FONTS))).map((face) => [face.name, face]));
});

/** Work Sans, and whatever has what it lacks. */
function fontsFor(graphemes: readonly Grapheme[]): FontSet {
  const primary = faces.get('Work Sans') as FontFace;
  const own = findFamily(SHIPPED_FONTS, 'Work Sans') as FontFamily;
  const order = standIns(SHIPPED_FONTS, 'sans').filter((f) => faces.has(f.family));
  const standIn = (text: string): FontFace | undefined =>
    text.trim() === '' || covers(own, text) ? undefined : faces.get(order.find((f) => covers(f, text))?.family ?? '');
  const hasAll = (face: FontFace, text: string): boolean =>
    Array.from(text).every((c) => face.has(c.codePointAt(0) as number));
  const byId = standInsByWord(graphemes, standIn, hasAll);
  return { primary, faceFor: ({ id }) => byId.get(id) ?? primary };
}

test('there are thirty and more', () => expect(PARAGRAPHS.length).toBeGreaterThanOrEqual(30));

test.each(PARAGRAPHS)('%j', (text, direction, lines) => {
  const graphemes = splitGraphemes(text).map((t, i) => ({ id: i + 1, text: t }));
  const options = usualLayout({ direction, kerning: false, features: { liga: 0, calt: 0, clig: 0 } });
  const { letters, emMm, missing } = layoutWords(graphemes, fontsFor(graphemes), options);
  expect(missing).toEqual([]);
  lines.forEach(([seen, fonts, total], line) => {
    const row = letters.filter((letter) => letter.line === line);
    const runs = row.map((letter) => FONTS[letter.glyphs[0].face.name]).filter((font, i, all) => font !== all[i - 1]);
    expect([row.map((letter) => letter.text).join('|'), runs.join('')]).toEqual([seen, fonts]);
    const width = row.reduce((sum, letter) => sum + letter.advance, 0);
    if (total !== undefined) expect(Math.abs((width / emMm) * 1000 - total)).toBeLessThan(1);
  });
});

test('no word is set in two hands', () => {
  const graphemes = splitGraphemes('πηλός').map((t, i) => ({ id: i + 1, text: t }));
  const { letters } = layoutWords(graphemes, fontsFor(graphemes), usualLayout());
  expect((faces.get('Work Sans') as FontFace).has(0x3c0)).toBe(true); // it has a pi, as a sign
  expect(new Set(letters.map((letter) => letter.glyphs[0].face.name))).toEqual(new Set(['Noto Sans']));
});
