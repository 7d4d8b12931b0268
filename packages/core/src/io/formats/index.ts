import { ofKind } from '../../fields/index.ts';
import type { MeshFormatDefinition } from './definition.ts';
import type { Holds } from './holds.ts';
import { FORMAT_LIST } from './list.ts';

export type MeshFormat = (typeof FORMAT_LIST)[number]['kind'];
export type { Holds } from './holds.ts';
export { materialsFileName } from './obj.ts';

const FORMATS = FORMAT_LIST as unknown as readonly (Omit<MeshFormatDefinition, 'kind'> & { kind: MeshFormat })[];

/** All that can be written. */
export const MESH_FORMATS: readonly MeshFormat[] = FORMATS.map(({ kind }) => kind);
/** All that can be read. */
export const READ_FORMATS: readonly MeshFormat[] = FORMATS.filter(({ read }) => read).map(({ kind }) => kind);

/** What is known of a format. */
export const formatOf = (kind: MeshFormat): (typeof FORMATS)[number] => ofKind(FORMATS, kind);

/** Whether files of a format can hold something. */
export const canHold = (kind: MeshFormat, what: Holds): boolean => formatOf(kind).holds.has(what);
/** The formats that can hold something. */
export const holding = (what: Holds): MeshFormat[] => MESH_FORMATS.filter((kind) => canHold(kind, what));
