import { TextDecoder, TextEncoder } from 'node:util';

// jsdom lacks what every browser has
globalThis.TextEncoder ??= TextEncoder as typeof globalThis.TextEncoder;
globalThis.TextDecoder ??= TextDecoder as typeof globalThis.TextDecoder;
