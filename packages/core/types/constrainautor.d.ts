/** The package's own types are source files that don't compile as modules; this is the part of them that core uses. */
interface Triangulation {
  readonly coords: { readonly length: number; readonly [n: number]: number };
  readonly triangles: { readonly length: number; [n: number]: number };
  readonly halfedges: { readonly length: number; [n: number]: number };
  readonly hull: { readonly length: number; readonly [n: number]: number };
}

export default class Constrainautor {
  constructor(triangulation: Triangulation, edges?: readonly (readonly [number, number])[]);
}
