/** What is used of bidi-js 1.1 (Unicode Bidirectional Algorithm, UAX 9); it brings no types of its own. */
declare module 'bidi-js' {
  export interface Bidi {
    getEmbeddingLevels(
      text: string,
      direction?: 'ltr' | 'rtl' | 'auto',
    ): { levels: Uint8Array; paragraphs: { start: number; end: number; level: number }[] };
  }
  export default function bidiFactory(): Bidi;
}
