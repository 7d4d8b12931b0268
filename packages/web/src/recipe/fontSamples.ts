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
