import type { Slots } from '../document/index.ts';
import type { Transform, Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { FileChoices } from './fileFields.ts';
import type { LetterLook, PieceLooks } from './looks.ts';
import type { Paints } from './paints.ts';

/** What is chosen for a file, and how it is called. */
export interface WriteChoices extends FileChoices {
  name: string;
}

/** A group around pieces that are written. */
export interface SceneGroup {
  id: string;
  name: string;
  /** from its own space to the scene */
  transform: Transform;
  /** in its own space, mm */
  pivotMm: Vec3;
}

/** A piece to be written: in its own space, with its place and looks. */
export interface ScenePart {
  name: string;
  mesh: PolygonMesh;
  transform: Transform;
  slots: Slots;
  /** of pieces that have cut this one, by id */
  others?: PieceLooks['others'];
  /** by their number in the regions */
  letters: readonly LetterLook[];
  /** around it, the outermost first */
  groups?: readonly SceneGroup[];
  /** a model's own materials */
  paints?: Paints;
}

/** A piece as a file takes it. */
export interface FilePart extends ScenePart {
  /** linked levels of detail: the finest, 0, is in the scene, and those after it stand for it */
  level?: number;
}

export interface WrittenFile {
  bytes: Uint8Array;
  /** a file of materials beside it, when asked for */
  mtl: Uint8Array | undefined;
}

/** What a mesh file turns out to hold, in the file's own unit and axes. */
export interface ReadBack {
  mesh: PolygonMesh;
  /** of pieces or letters, where the format names them */
  names: string[];
  finishes: string[];
  /** materials with their pictures, where they were asked for */
  paints?: Paints;
  /** of detail, by names or by links (MSFT_lod); one was read */
  levels: number;
}
