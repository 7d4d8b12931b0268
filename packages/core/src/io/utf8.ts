/** Every place where core runs has this global; the compiler is told no more of those places than it needs. */
declare const TextEncoder: new () => { encode(text: string): Uint8Array };

export const utf8Bytes = (lines: readonly string[]): Uint8Array => new TextEncoder().encode(lines.join('\n') + '\n');
