import {
  applyEdit,
  checkMesh,
  covers,
  Engine,
  newPiece,
  newProject,
  pieceMesh,
  quietContext,
  splitGraphemes,
  unwrap,
  type Kernels,
  type MeshReport,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';

/**
 * What people set, and what is hard: marks, ligatures, scripts in one line, dots, a very long word, all of Basic Latin.
 */
export const STRINGS: readonly string[] = [
  ...[
    'Kiln opening',
    'Saltglaze Row',
    'House 17',
    'Open Saturday & Sunday',
    'Stoneware, slip and ash',
    'FIRE!',
    'kiln',
    'KILN',
    'Kiln\nopening\nweekend',
  ],
  ...[
    'office affluent fjord',
    'Tj fi fl ffi ffl',
    'AVATAR Ty To Wo',
    'Qu Qy gg yy jj',
    'The quick brown fox jumps over the lazy dog',
    'SPHINX OF BLACK QUARTZ, JUDGE MY VOW',
  ],
  ...[
    '.',
    ',',
    '-',
    '…',
    '“Row”',
    '‘a’',
    '¡Hola! ¿Qué?',
    '«Four»',
    '50 % off',
    '£17.50',
    '€ 9,99',
    '$100',
    '@potters',
    '#17',
    '*',
    '&',
    '(a) [b] {c}',
    '1/2 ½ ¼',
    'x² + y³',
    '© ® ™',
    '§ ¶ † ‡',
    '– — ―',
    '↑ → ↓ ←',
    '♥ ★ ☀',
  ],
  ...[
    'Žluťoučký kůň',
    'Příliš žluté',
    'Zażółć gęślą jaźń',
    'Łódź',
    'Ångström',
    'Øre',
    'Æsir',
    'Þór',
    'Straße',
    'Größe',
    'GRÜẞE',
    'français',
    'garçon',
    'naïve café',
    'señor',
    'São Paulo',
    'İstanbul ığdır',
    'Şişli',
    'Đurđevdan',
    'Tiếng Việt',
    'Ștefan',
    'Ħal',
    'Ĉiuĵaŭde',
    'ŵ ŷ',
    'e\u0301 o\u0308\u0323',
  ],
  ...[
    'Κεραμικός',
    'ΚΛΙΒΑΝΟΣ',
    'πηλός',
    'Πάπυρος ἄνθρωπος',
    'Гончар',
    'ОБЖИГ',
    'Печь и глина',
    'Їжак ґава',
    'Љубав Њушка',
    'Ўзбек',
  ],
  ...[
    'فخار',
    'كوز الملح',
    'بيت ١٧',
    'مرحبًا',
    'لا إله',
    'گِل',
    'پنجره',
    'شارع الملح كوز',
    'שלום',
    'כבשן',
    'בית 17',
    'שָׁלוֹם',
    'at שלום we',
    'كوز Kiln كوز',
  ],
  ...['मिट्टी', 'भट्टी', 'क्षत्रिय', 'श्री', 'कुम्हार', 'हिन्दी में', 'र्क र्त्स्न्य', '१७'],
  ...['窯', '陶器', '窯開き', 'やきもの', 'カマ', '土と火', '一二三', '日本語の文字'],
  ...['👺', '🏺🔥', '👩‍🔧', '☕ 17', '⚱ ♨', '♠♣♥♦'],
  ...[
    'H'.repeat(40),
    'o'.repeat(40),
    'Donaudampfschifffahrtsgesellschaft',
    'iiiiiiiiii',
    'WWWWWWWWWW',
    'O0Q8B',
    'Il1|',
    '::::',
    '%%%%',
  ],
  ...['a', 'g', 'Q', '8', '%', 'S', 'R', 'ß', 'ÿ', 'Ω'],
  Array.from({ length: 94 }, (_, i) => String.fromCodePoint(33 + i)).join(''),
];

export interface StringRow {
  font: string;
  built: number;
  /** strings whose solid is not closed, manifold, outward and free of crossings, or was held back */
  faults: string[];
}

/** Every string in every family that has all of it, with the usual edge, by the exact checks. */
export async function benchStrings(kernels: Kernels, family: (typeof SHIPPED_FONTS)[number]): Promise<StringRow> {
  const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 64e6 });
  const row: StringRow = { font: family.family, built: 0, faults: [] };
  const { weight, italic } = family.styles[family.styles.length - 1];
  for (const text of STRINGS) {
    const graphemes = splitGraphemes(text);
    if (!graphemes.every((g) => g.trim() === '' || covers(family, g))) continue;
    const font = { family: family.family, weight, italic, axes: {} };
    const start = newProject('p', 'p', [newPiece('a', 'a', graphemes)]);
    const project = unwrap(applyEdit(start, { kind: 'setWords', pieceId: 'a', values: { font } }));
    const evaluated = unwrap(await engine.evaluate(project, 'a', quietContext));
    const fault = faultOf(
      checkMesh(pieceMesh(evaluated)),
      evaluated.remarks.map((r) => r.code),
    );
    row.built++;
    if (fault !== '') row.faults.push(`${JSON.stringify(text)} ${fault}`);
  }
  return row;
}

function faultOf(report: MeshReport, codes: readonly string[]): string {
  const told = codes.filter((code) =>
    ['LETTER_LEFT_OUT', 'EDGE_NARROWED', 'OVER_BUDGET', 'TEXT_TOO_LONG', 'GLYPH_MISSING'].includes(code),
  );
  return [
    report.closed ? '' : 'open',
    report.manifold ? '' : 'not manifold',
    report.outward ? '' : 'inward',
    report.crossingFaces === 0 ? '' : `${report.crossingFaces} crossing`,
    report.faces > 0 ? '' : 'empty',
    ...told,
  ]
    .filter(Boolean)
    .join(', ');
}
