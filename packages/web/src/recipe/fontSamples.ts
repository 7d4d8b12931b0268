const asked = new Set<string>();

/** Under which name a font file of ours can be used by the page's own text. */
export const sampleName = (hash: string): string => `sample ${hash.slice(0, 12)}`;

/** Loads font files into the page, each once; names stand in the page's serif until they are there. */
export function loadSamples(hashes: readonly string[]): void {
  if (typeof FontFace === 'undefined') return;
  for (const hash of hashes) {
    if (asked.has(hash)) continue;
    asked.add(hash);
    const face = new FontFace(sampleName(hash), `url(/api/fonts/${hash})`);
    face.load().then(
      (loaded) => document.fonts.add(loaded),
      () => asked.delete(hash),
    );
  }
}
