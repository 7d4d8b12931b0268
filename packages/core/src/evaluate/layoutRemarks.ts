import { remark, type Remark } from '../base/index.ts';
import type { Words } from '../document/index.ts';
import type { FontFace, Layout } from '../text/index.ts';

/** What is told of a row of texts. */
const listed = (texts: readonly string[]): string => texts.slice(0, 40).join(' ');

/** What is to be told of words before they are built. */
export function layoutRemarks(layout: Layout, primary: FontFace, line: Words['line']): Remark[] {
  const { missing, stoodIn, lacksSmallCapitals, lacksMm } = layout;
  return [
    ...(missing.length > 0 ? [remark('GLYPH_MISSING', { characters: listed(missing), font: primary.name })] : []),
    ...[...stoodIn].map(([font, texts]) => remark('FONT_STOOD_IN', { characters: listed(texts), font })),
    ...(lacksSmallCapitals ? [remark('SMALL_CAPITALS_MISSING', { font: primary.name })] : []),
    ...(lacksMm > 0 && line.kind === 'circle'
      ? [remark('CIRCLE_OVERFULL', { neededMm: Math.ceil(line.radiusMm + lacksMm) })]
      : []),
    ...(lacksMm > 0 && line.kind === 'curve' ? [remark('CURVE_OVERFULL', { byMm: Math.ceil(lacksMm) })] : []),
  ];
}
