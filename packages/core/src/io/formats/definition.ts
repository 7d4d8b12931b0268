import type { LengthUnit, LoadUnpacker, Result, WriteTools } from '../../base/index.ts';
import type { ReadOptions } from '../readGlb.ts';
import type { Holds } from './holds.ts';
import type { FilePart, ReadBack, WriteChoices, WrittenFile } from '../scenePart.ts';

/** A kind of mesh file, described once. Its kind is how names of such files end. */
export interface MeshFormatDefinition<K extends string = string> {
  kind: K;
  holds: ReadonlySet<Holds>;
  /** how such files count and stand, unless somebody says otherwise */
  unit: LengthUnit;
  up: 'y' | 'z';
  write(parts: readonly FilePart[], choices: WriteChoices, tools: WriteTools): Promise<WrittenFile> | WrittenFile;
  /** left out: it is only written */
  read?(
    bytes: Uint8Array,
    unpacker: LoadUnpacker | undefined,
    options: ReadOptions,
  ): Promise<Result<ReadBack>> | Result<ReadBack>;
}

export const defineFormat = <K extends string>(definition: MeshFormatDefinition<K>): MeshFormatDefinition<K> =>
  definition;
