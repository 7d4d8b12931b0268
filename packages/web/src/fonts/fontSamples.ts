import type { FontFamilyInfo as FontFamily } from '@fictile/contract';

const asked = new Set<string>();

/** Under which name a font file of ours can be used by the page's own text. */
export const sampleName = (hash: string): string => `sample ${hash.slice(0, 12)}`;

/** Loads a font file into the page, once; its name stands in the page's serif until it is there. */
export function loadSample(hash: string): void {
  if (typeof FontFace === 'undefined' || asked.has(hash)) return;
  asked.add(hash);
  const face = new FontFace(sampleName(hash), `url(/api/fonts/${hash})`);
  face.load().then(
    (loaded) => document.fonts.add(loaded),
    () => asked.delete(hash),
  );
}

let areRegistered = false;

/**
 * Lets the page's own text show every script that the shipped fonts can: the browser fetches such a font only when a
 * character needs it. `--serif` and `--sans` name the family after the page's own.
 */
export function registerStandIns(families: readonly FontFamily[]): void {
  if (areRegistered || families.length === 0 || typeof FontFace === 'undefined') return;
  areRegistered = true;
  for (const { family, styles, covers } of families) {
    if (!family.startsWith('Noto') || covers === '') continue;
    const unicodeRange = covers
      .split(',')
      .map((range) => `U+${range}`)
      .join(',');
    document.fonts.add(new FontFace('stand-in', `url(/api/fonts/${styles[0].hash})`, { unicodeRange }));
  }
}
