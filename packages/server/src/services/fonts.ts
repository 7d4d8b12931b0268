import { familiesOf, type FontCatalogue, type FontDescription } from '@fictile/core';
import type { BroughtFonts, FontFamilyInfo } from '@fictile/contract';
import { SHIPPED_FONTS } from '@fictile/fonts';
import { desc, inArray, isNull } from 'drizzle-orm';
import type { ReadFont } from '../checks/readFonts.ts';
import type { Database } from '../db/open.ts';
import { assets, fonts } from '../db/schema.ts';
import { httpFault } from './faults.ts';

/** Opens a font file of any kind; throws a fault when it is none. */
export type FontReader = (name: string, bytes: Uint8Array) => Promise<ReadFont[]>;

/** What families that people brought in are listed as. */
const BROUGHT = 'own';
/** Faces that are kept; far more than anybody sets words in. */
const MOST_FACES = 2_000;

/** The type case: shipped families, and those that were brought in. */
export class FontService {
  readonly #database: Database;
  readonly #read: FontReader;

  constructor(database: Database, read: FontReader) {
    this.#database = database;
    this.#read = read;
  }

  async list(): Promise<FontFamilyInfo[]> {
    return [...(await this.#own()), ...(SHIPPED_FONTS as FontCatalogue)] as FontFamilyInfo[];
  }

  /** All faces of a file, kept by the hash of each; those that are there already come back into the case. */
  async bring(name: string, bytes: Uint8Array, styles?: 'new' | 'old'): Promise<BroughtFonts> {
    const all = await this.#read(name, bytes);
    const older = await this.#olderOf(all);
    if (older.length > 0 && styles === undefined)
      throw httpFault('STYLE_THERE', {
        family: older[0].family,
        styles: older.map(({ style }) => style.name).join(', '),
      });
    const isOld = ({ description: d }: ReadFont): boolean => older.some((one) => isSameStyle(one, d));
    const read = styles === 'old' ? all.filter((font) => !isOld(font)) : all;
    if (styles === 'new') await this.#putAway(older.map(({ style }) => style.hash));
    const faces = await this.#database.tables.$count(fonts);
    if (faces + read.length > MOST_FACES)
      throw httpFault('REQUEST_BROKEN', { path: 'body', why: `the case holds no more than ${MOST_FACES} faces` });
    const createdAt = new Date().toISOString();
    await this.#database.write(async (tables) => {
      for (const { bytes: plain, description } of read) {
        const { hash } = description.style;
        const file = { hash, kind: 'font' as const, size: plain.length, bytes: Buffer.from(plain), createdAt };
        await tables.insert(assets).values(file).onConflictDoNothing();
        const row = { hash, description: JSON.stringify(description), createdAt };
        await tables
          .insert(fonts)
          .values(row)
          .onConflictDoUpdate({ target: fonts.hash, set: { removedAt: null } });
      }
    });
    const hashes = new Set([
      ...read.map((font) => font.description.style.hash),
      ...(styles === 'old' ? older.map(({ style }) => style.hash) : []),
    ]);
    const families = (await this.#own()).filter((family) => family.styles.some((style) => hashes.has(style.hash)));
    return { families: families.map((family) => family.family), faces: read.length };
  }

  /** Takes a family that was brought in out of the case; bringing it in again puts it back. */
  async remove(name: string): Promise<void> {
    const family = (await this.#own()).find((one) => one.family === name);
    if (!family) throw httpFault('NOT_FOUND', { what: 'font', id: name });
    const hashes = (await this.#rows())
      .filter(({ style }) => family.styles.some((one) => one.hash === style.hash))
      .map(({ style }) => style.hash);
    await this.#putAway(hashes);
  }

  /** Faces in the case that other files of the same family and style are brought in for. */
  async #olderOf(read: readonly ReadFont[]): Promise<FontDescription[]> {
    const rows = await this.#rows();
    return rows.filter((row) =>
      read.some(({ description: d }) => isSameStyle(row, d) && row.style.hash !== d.style.hash),
    );
  }

  /** Out of the case; the files stay. */
  async #putAway(hashes: readonly string[]): Promise<void> {
    const removedAt = new Date().toISOString();
    await this.#database.write((tables) =>
      tables
        .update(fonts)
        .set({ removedAt })
        .where(inArray(fonts.hash, [...hashes])),
    );
  }

  async #own(): Promise<FontFamilyInfo[]> {
    return familiesOf(await this.#rows(), SHIPPED_FONTS as FontCatalogue, BROUGHT) as FontFamilyInfo[];
  }

  /** Newest first. */
  async #rows(): Promise<FontDescription[]> {
    const rows = await this.#database.tables
      .select({ description: fonts.description })
      .from(fonts)
      .where(isNull(fonts.removedAt))
      .orderBy(desc(fonts.createdAt), fonts.hash);
    return rows.map((row) => JSON.parse(row.description) as FontDescription);
  }
}

const isSameStyle = (a: FontDescription, b: FontDescription): boolean =>
  a.family.toLowerCase() === b.family.toLowerCase() && a.style.name.toLowerCase() === b.style.name.toLowerCase();
