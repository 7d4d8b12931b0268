/** A character as a person sees it, with an id that stays with it through every edit. */
export interface Grapheme {
  id: number;
  text: string;
}

/** Longer ones (a letter under a heap of marks) are cut, so that a document stays readable. */
export const LONGEST_GRAPHEME = 256;

/**
 * Cuts a text into graphemes (Unicode text segmentation, UAX 29). Line breaks of every kind become "\n"; other control
 * characters are dropped, halves of surrogate pairs become U+FFFD.
 */
export function splitGraphemes(text: string): string[] {
  const clean = text
    .replace(/\r\n?|\u2028|\u2029/g, '\n')
    .replace(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '\ufffd')
    .replace(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f]/g, '')
    .normalize('NFC');
  const segmenter = new Intl.Segmenter('und', { granularity: 'grapheme' });
  return Array.from(segmenter.segment(clean), (part) => part.segment).flatMap(cutLong);
}

function cutLong(grapheme: string): string[] {
  if (grapheme.length <= LONGEST_GRAPHEME) return [grapheme];
  const points = Array.from(grapheme);
  const half = LONGEST_GRAPHEME / 2;
  return Array.from({ length: Math.ceil(points.length / half) }, (_, i) =>
    points.slice(i * half, (i + 1) * half).join(''),
  );
}
