import type { Project, ShownPiece } from '@fictile/core';
import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import { LineBasicMaterial } from 'three';
import type { GeometryShelf } from './geometries.ts';
import { materialOf, type SurfaceMode } from './materials.ts';
import { matrixOf } from './scene.ts';

const edgeMaterial = new LineBasicMaterial({ color: '#2b2118', transparent: true, opacity: 0.55 });

export interface SolidsProps {
  project: Project;
  pieces: readonly ShownPiece[];
  shelf: GeometryShelf;
  mode: SurfaceMode;
  showEdges: boolean;
  onChoose: (pieceId: string) => void;
  /** double-click: the words want to be typed on */
  onType: (pieceId: string) => void;
  /** the piece that is typed on; it takes its clicks itself */
  typed: string | undefined;
}

/** All clusters of all pieces where they stand. */
export function Solids({ project, pieces, shelf, mode, showEdges, onChoose, onType, typed }: SolidsProps) {
  const invalidate = useThree((three) => three.invalidate);
  useEffect(() => invalidate(), [project, pieces, mode, showEdges, invalidate]);
  return pieces.map((piece) => {
    const slots = project.pieces[piece.pieceId]?.slots;
    if (!slots) return null;
    return (
      <group
        key={piece.pieceId}
        matrixAutoUpdate={false}
        matrix={matrixOf(piece.transform)}
        onDoubleClick={(event) => {
          event.stopPropagation();
          if (piece.pieceId !== typed) onType(piece.pieceId);
        }}
        onClick={(event) => {
          if (event.delta > 4 || piece.pieceId === typed) return; // the end of a turn of the view
          event.stopPropagation();
          onChoose(piece.pieceId);
        }}
      >
        {piece.clusters.map((cluster, i) => {
          const geometry = shelf.get(cluster.key);
          if (!geometry) return null;
          const materials = geometry.parts.map((part) => materialOf(slots, part, mode));
          return (
            <group key={i} position={[cluster.x, cluster.y, cluster.z]}>
              <mesh geometry={geometry.solid} material={materials} castShadow receiveShadow />
              {showEdges && <lineSegments geometry={geometry.edges} material={edgeMaterial} raycast={() => null} />}
            </group>
          );
        })}
      </group>
    );
  });
}
