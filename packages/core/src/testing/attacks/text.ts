/** Every place where core runs has these; the compiler is told no more of those places than it needs. */
declare const TextEncoder: new () => { encode(text: string): Uint8Array };
declare const TextDecoder: new (label?: string, options?: { fatal: boolean }) => { decode(bytes: Uint8Array): string };

export const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
export const textOf = (bytes: Uint8Array, encoding: 'utf-8' | 'latin1' = 'utf-8'): string =>
  new TextDecoder(encoding).decode(bytes);
/** Throws where bytes are no UTF-8. */
export const strictTextOf = (bytes: Uint8Array): string => new TextDecoder('utf-8', { fatal: true }).decode(bytes);
