import type { LengthUnit, LoadUnpacker, Result, WriteTools } from '../../base/index.ts';
import type { ReadOptions } from '../readGlb.ts';
import type { FilePart, ReadBack, WriteChoices, WrittenFile } from '../scenePart.ts';

/** What files of a format can hold beside faces, or leave open. */
export type Holds =
  /** lines of text, by which a fault in it is found */
  | 'lines'
  /** faces of more than three corners */
  | 'polygons'
  /** numbers as they are, instead of rounded to 32 bit */
  | 'doubles'
  /** the unit and the upright axis that is chosen */
  | 'frame'
  | 'uv'
  | 'tangents'
  /** several levels of detail as objects, or linked (MSFT_lod) */
  | 'levels'
  | 'linkedLevels'
  /** letters as nodes of their own */
  | 'nodes'
  /** materials in a file beside it */
  | 'materials'
  /** materials with pictures in it */
  | 'paints';

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
