import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/** SHA-256 (FIPS 180-4) as 64 hexadecimal digits: the name of a file that is kept by its content. */
export const sha256Hex = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** A name of 32 digits for a text however long: a key that holds other keys stays as short as they are. */
export const keyHash = (text: string): string => sha256Hex(utf8ToBytes(text)).slice(0, 32);
