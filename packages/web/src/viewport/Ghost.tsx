import type { ShownPiece } from '@fictile/core';
import { LineBasicMaterial } from 'three';
import type { GeometryShelf } from './geometries.ts';
import { matrixOf, TOOL } from './scene.ts';

/** Pieces of another state, with the geometries they are drawn from. */
export interface Ghosts {
  pieces: readonly ShownPiece[];
  shelf: GeometryShelf;
}

const material = new LineBasicMaterial({ color: '#23489b', transparent: true, opacity: 0.45, depthWrite: false });

/** Another state as thin lines over what is there. */
export function Ghost({ pieces, shelf }: Ghosts) {
  return pieces.map((piece) => (
    <group key={piece.pieceId} matrixAutoUpdate={false} matrix={matrixOf(piece.transform)} userData={TOOL}>
      {piece.clusters.map((cluster, i) => {
        const geometry = shelf.get(cluster.key);
        return (
          geometry && (
            <lineSegments
              key={i}
              position={[cluster.x, cluster.y, cluster.z]}
              geometry={geometry.edges}
              material={material}
              raycast={() => null}
              renderOrder={2}
            />
          )
        );
      })}
    </group>
  ));
}
