import { readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { SHIPPED } from './shipped.ts';

const FOLDER = new URL('../files/', import.meta.url);

/** Where the file of a shipped style lies; undefined when no style has this hash. Names never come from outside. */
export function fontPath(hash: string): string | undefined {
  const style = SHIPPED.flatMap((family) => family.styles).find((s) => s.hash === hash);
  return style && fileURLToPath(new URL(style.file, FOLDER));
}

export async function readFont(hash: string): Promise<Uint8Array | undefined> {
  const path = fontPath(hash);
  return path === undefined ? undefined : readFile(path);
}

export const readLicence = (file: string): Promise<string> => readFile(new URL(file, FOLDER), 'utf8');
