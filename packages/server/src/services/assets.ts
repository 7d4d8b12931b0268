import { createHash } from 'node:crypto';
import type { AssetKind } from '@fictile/contract';
import { eq } from 'drizzle-orm';
import type { Database } from '../db/open.ts';
import { assets } from '../db/schema.ts';
import { httpFault } from './faults.ts';

export interface AssetInfo {
  hash: string;
  kind: AssetKind;
  size: number;
}

/** Says whether bytes are what they claim to be; throws a fault when not, or when `gone` says that nobody waits. */
export type AssetCheck = (kind: AssetKind, bytes: Uint8Array, gone?: AbortSignal) => Promise<void>;

/** Keeps uploads by the hash of their content, after a check. */
export class AssetService {
  readonly #database: Database;
  readonly #check: AssetCheck;

  constructor(database: Database, check: AssetCheck) {
    this.#database = database;
    this.#check = check;
  }

  async put(hash: string, kind: AssetKind, bytes: Buffer, { gone }: { gone?: AbortSignal } = {}): Promise<AssetInfo> {
    const found = createHash('sha256').update(bytes).digest('hex');
    if (found !== hash) throw httpFault('HASH_DIFFERS', { expected: hash, found });
    await this.#check(kind, bytes, gone);
    const row = { hash, kind, size: bytes.length };
    await this.#database.write((tables) =>
      tables
        .insert(assets)
        .values({ ...row, bytes, createdAt: new Date().toISOString() })
        .onConflictDoNothing(),
    );
    return row;
  }

  async read(hash: string): Promise<Buffer> {
    const [row] = await this.#database.tables.select({ bytes: assets.bytes }).from(assets).where(eq(assets.hash, hash));
    if (!row) throw httpFault('NOT_FOUND', { what: 'asset', id: hash });
    return row.bytes;
  }
}
