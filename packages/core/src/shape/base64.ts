const DIGITS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';

/** RFC 4648, section 4; what is no digit ends it. Core has neither Buffer nor atob in all its homes. */
export function bytesFromBase64(text: string): Uint8Array {
  const bytes: number[] = [];
  let [bits, held] = [0, 0];
  for (const letter of text) {
    const digit = DIGITS.indexOf(letter);
    if (digit < 0) break;
    held = (held << 6) | digit;
    bits += 6;
    if (bits < 8) continue;
    bits -= 8;
    bytes.push((held >> bits) & 255);
    held &= (1 << bits) - 1;
  }
  return Uint8Array.from(bytes);
}
