import { choice, count, flag, flagOf, length, type Field, type ValuesOf } from '../fields/index.ts';
import type { Holds } from './formats/holds.ts';

/** What is chosen for a file; a format that does not hold it passes it over. */
export const FILE_FIELDS = {
  unit: choice(['mm', 'cm', 'm', 'in'], { flag: 'out-unit' }),
  /** the upright axis; usual: as files of the format have it */
  up: choice(['y', 'z', 'usual'], { usual: 'usual', flag: 'out-up' }),
  /** a node a piece, or one a letter */
  nodes: choice(['one', 'letters']),
  /** a file of materials beside it */
  materials: flag(false, { flag: false }),
  /** faces are cut into triangles */
  triangles: flag(false),
  /** vertices at equal places become one */
  weld: flag(false),
  /**
   * texture coordinates: none; fronts as they lie in the lettering; each letter's front from its own origin; or every
   * stretch of surface in a place of its own inside one square
   */
  uv: choice(['none', 'words', 'letters', 'packed']),
  /** the side of the square that a picture covers */
  uvTileMm: length(0.01, 100_000, { usual: 100, step: 5, when: { uv: ['words', 'letters'] } }),
  tangents: flag(false, { when: { uv: ['words', 'letters', 'packed'] } }),
  /** levels of detail, each with half the triangles of the one before */
  levels: count(1, 6),
  /** several levels go into files of their own, into one file as objects by name, or (glb) linked by MSFT_lod */
  levelsAs: choice(['files', 'objects', 'linked'], { pairedWith: 'levels' }),
} satisfies Record<string, Field>;

/** How fine curves are in the file; 0: as in the workshop. */
export const FILE_TOLERANCE = length(0, 10, { step: 0.01 });

/** A picture of the view, pixels. */
export const PICTURE_FIELDS = { width: count(16, 8192, { usual: 1920 }), height: count(16, 8192, { usual: 1080 }) };

export type FileField = keyof typeof FILE_FIELDS;
export type FileChoices = ValuesOf<typeof FILE_FIELDS>;
export type UvSpace = FileChoices['uv'];
export type LevelsAs = FileChoices['levelsAs'];

/** What a format has to hold for a choice to say anything; what stands nowhere here says something in all of them. */
export const FILE_NEEDS: { readonly [N in FileField]?: Holds } = {
  unit: 'frame',
  up: 'frame',
  nodes: 'nodes',
  materials: 'materials',
  triangles: 'polygons',
  uv: 'uv',
  uvTileMm: 'uv',
  tangents: 'tangents',
  levels: 'levels',
  levelsAs: 'levels',
};

/** Choices whose usual value asks for nothing, so that it is true in every format. */
export const ASKS_NOTHING: ReadonlySet<FileField> = new Set(['nodes', 'uv', 'levels']);

export const fileFlagOf = (name: FileField): string | undefined => flagOf(name, FILE_FIELDS[name]);
