export { PART_LOOKS } from './partLooks.ts';
export type { PartLook } from './partLooks.ts';
export { readObj } from './readObj.ts';
export { readStl } from './readStl.ts';
export { MESH_FORMATS, usualWriteOptions, writeMesh } from './writeMesh.ts';
export type { MeshFormat, WriteOptions, WrittenMesh } from './writeMesh.ts';
