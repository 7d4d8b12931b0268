import { TextDecoder, TextEncoder } from 'node:util';

// jsdom lacks what every browser has
globalThis.TextEncoder ??= TextEncoder as typeof globalThis.TextEncoder;
globalThis.TextDecoder ??= TextDecoder as typeof globalThis.TextDecoder;

/** jsdom draws nothing, so nothing ever comes into sight. */
globalThis.IntersectionObserver ??= class {
  observe(): void {}
  disconnect(): void {}
} as unknown as typeof IntersectionObserver;

/** Nor is anything scrolled. */
if (typeof Element !== 'undefined') Element.prototype.scrollIntoView ??= () => undefined;
