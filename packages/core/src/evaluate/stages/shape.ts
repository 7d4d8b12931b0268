import type { Named, QuickStage } from '../../base/index.ts';
import type { Vec3 } from '../../math/index.ts';
import { emptyMesh, faceCount, meshBytes, type PolygonMesh } from '../../mesh/index.ts';
import { shapeMesh, type ShapeChain, type Shaped, type ShapedMesh } from '../../shape/index.ts';
import { chainThere, type ChainAlone } from './chainAlone.ts';

export interface ShapeInputs {
  solid: Named<PolygonMesh>;
  /** where it stands in the flat layout, mm, and how far it was moved since it knows of that */
  at: Vec3;
  restBy: Vec3 | undefined;
  /** feet of its letters; who they are, where a step asks for letters */
  feet: readonly Vec3[];
  letters: readonly number[] | undefined;
  /** its steps, and all that they know of the whole piece */
  chain: Named<ShapeChain>;
  /** edges that stray farther are cut, mm; undefined: none */
  toleranceMm: number | undefined;
  /** what is next to nothing against this is taken in by its neighbours, mm; undefined: nothing is */
  capsMm: number | undefined;
  rough: boolean;
}

export interface ShapeBounds {
  /** the same in the place where it stands */
  laid: Shaped;
  mostFaces: number;
}

/** A cluster under a chain of shape steps. */
export const SHAPE: QuickStage<ShapeInputs, ShapeBounds, ShapedMesh & { mostFaces: number }> = {
  name: 'shape',
  make: ({ chain, toleranceMm, capsMm, rough }, { laid, mostFaces }) => ({
    ...shapeMesh(laid, chain.of, { toleranceMm, capsMm, mostFaces, rough }),
    mostFaces,
  }),
  bytesOf: ({ mesh }) => meshBytes(mesh),
  // where nothing is left to cut, more faces would not be made either
  fits: (made, { mostFaces }) => made.mostFaces === mostFaces || (!made.isLeft && faceCount(made.mesh) <= mostFaces),
};

/** What another thread needs for it: a chain that knows of nothing but its steps can be made there. */
export interface ShapeTask {
  inputs: Omit<ShapeInputs, 'chain' | 'solid'>;
  tools: ShapeBounds;
  chain: ChainAlone;
}

export const shapeThere = ({ inputs, tools, chain }: ShapeTask): ReturnType<typeof SHAPE.make> =>
  SHAPE.make({ ...inputs, ...UNNAMED, chain: { key: chain.key, of: chainThere(chain) } }, tools);

/** The stage works on what it is laid as. */
const UNNAMED = { solid: { key: '', of: emptyMesh() } };
