/** Every place where core runs has these globals; the compiler is told no more of those places than it needs. */
declare const TextEncoder: new () => { encode(text: string): Uint8Array };
declare const TextDecoder: new () => { decode(bytes: Uint8Array): string };

export const utf8Bytes = (lines: readonly string[]): Uint8Array => new TextEncoder().encode(lines.join('\n') + '\n');

export const utf8Text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);
