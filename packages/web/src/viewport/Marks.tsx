import type { ShownPiece } from '@fictile/core';
import { useMemo } from 'react';
import { BufferAttribute, BufferGeometry, Color, DoubleSide } from 'three';
import { matrixOf, TOOL } from './scene.ts';
import { useOwnGeometry } from './useOwnGeometry.ts';

/** Places on a piece that are pointed at: nine numbers a triangle, in the piece's own space. */
export interface MarkedPlaces {
  pieceId: string;
  triangles: Float32Array;
  /** at every corner of them: painted as a colour, from 0 to the largest */
  values?: Float32Array;
}

/** From nothing over a little to much. */
const RAMP = ['#7fb08f', '#e8c877', '#b3301c'].map((colour) => new Color(colour));

function coloursOf(values: Float32Array): Float32Array {
  const most = values.reduce((a, b) => Math.max(a, b), 1e-9);
  const colours = new Float32Array(3 * values.length);
  const mixed = new Color();
  values.forEach((value, i) => {
    const share = (2 * value) / most;
    const k = share < 1 ? 0 : 1;
    mixed.lerpColors(RAMP[k], RAMP[k + 1], share - k).toArray(colours, 3 * i);
  });
  return colours;
}

/** Painted over everything, so that nothing hides them. */
export function Marks({ marks, pieces }: { marks: MarkedPlaces; pieces: readonly ShownPiece[] }) {
  const geometry = useMemo(() => {
    const made = new BufferGeometry();
    made.setAttribute('position', new BufferAttribute(marks.triangles, 3));
    if (marks.values) made.setAttribute('color', new BufferAttribute(coloursOf(marks.values), 3));
    return made;
  }, [marks]);
  useOwnGeometry(geometry);
  const piece = pieces.find((p) => p.pieceId === marks.pieceId);
  if (!piece) return null;
  if (marks.values)
    return (
      <group userData={TOOL} matrixAutoUpdate={false} matrix={matrixOf(piece.transform)}>
        <mesh geometry={geometry} raycast={() => null}>
          <meshBasicMaterial
            vertexColors
            toneMapped={false}
            polygonOffset
            polygonOffsetFactor={-2}
            polygonOffsetUnits={-2}
          />
        </mesh>
      </group>
    );
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
