import type { ShownPiece } from '@fictile/core';
import { useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide } from 'three';
import { matrixOf, TOOL } from './scene.ts';
import { useOwnGeometry } from './useOwnGeometry.ts';

/** Places on a piece that are pointed at: nine numbers a triangle, in the piece's own space. */
export interface MarkedPlaces {
  pieceId: string;
  triangles: Float32Array;
}

/** Painted over everything, so that nothing hides them. */
export function Marks({ marks, pieces }: { marks: MarkedPlaces; pieces: readonly ShownPiece[] }) {
  const geometry = useMemo(() => {
    const made = new BufferGeometry();
    made.setAttribute('position', new BufferAttribute(marks.triangles, 3));
    return made;
  }, [marks]);
  useOwnGeometry(geometry);
  const piece = pieces.find((p) => p.pieceId === marks.pieceId);
  if (!piece) return null;
  return (
    <group userData={TOOL} matrixAutoUpdate={false} matrix={matrixOf(piece.transform)}>
      <mesh geometry={geometry} renderOrder={4} raycast={() => null}>
        <meshBasicMaterial
          color="#c2321a"
          transparent
          opacity={0.75}
          side={DoubleSide}
          depthTest={false}
          toneMapped={false}
        />
      </mesh>
      <lineSegments renderOrder={5} raycast={() => null}>
        <edgesGeometry args={[geometry]} />
        <lineBasicMaterial color="#8a1d0c" depthTest={false} toneMapped={false} />
      </lineSegments>
    </group>
  );
}
