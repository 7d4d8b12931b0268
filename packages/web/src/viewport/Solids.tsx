import { finishOf, type Piece, type Project, type ShownPiece } from '@fictile/core';
import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import { LineBasicMaterial } from 'three';
import type { GeometryShelf } from './geometries.ts';
import { letterFinishes } from './letterFinishes.ts';
import { materialOf, type SurfaceMode } from './materials.ts';
import { useSolidDrag, type Placing } from './PlaceHandles.tsx';
import { matrixOf, solidName } from './scene.ts';

const edgeMaterial = new LineBasicMaterial({ color: '#2b2118', transparent: true, opacity: 0.55 });

export interface SolidsProps {
  project: Project;
  pieces: readonly ShownPiece[];
  shelf: GeometryShelf;
  mode: SurfaceMode;
  showEdges: boolean;
  onChoose: (pieceId: string, isAlso: boolean) => void;
  /** double-click: the words want to be typed on */
  onType: (pieceId: string) => void;
  /** the piece that is typed on; it takes its clicks itself */
  typed: string | undefined;
  /** the pieces that a drag moves, while places are at work */
  held: ReadonlySet<string>;
  placing: Placing | undefined;
  /** mm to which drags are rounded */
  step: number;
}

/** All clusters of all pieces where they stand. */
export function Solids(props: SolidsProps) {
  const { project, pieces, mode, showEdges } = props;
  const invalidate = useThree((three) => three.invalidate);
  useEffect(() => invalidate(), [project, pieces, mode, showEdges, invalidate]);
  return pieces.map((shown) => {
    const piece = project.pieces[shown.pieceId];
    return piece && <Solid key={piece.id} {...props} piece={piece} shown={shown} />;
  });
}

function Solid(props: SolidsProps & { piece: Piece; shown: ShownPiece }) {
  const { piece, shown, shelf, mode, showEdges, onChoose, onType, typed, held, placing, step } = props;
  const isHeld = placing !== undefined && held.has(piece.id) && !piece.locked;
  const drag = useSolidDrag(isHeld ? placing : undefined, piece.placement.stand === 'table', step);
  return (
    <group
      name={solidName(piece.id)}
      matrixAutoUpdate={false}
      matrix={matrixOf(shown.transform)}
      {...(isHeld ? drag : {})}
      onDoubleClick={(event) => {
        event.stopPropagation();
        if (piece.id !== typed) onType(piece.id);
      }}
      onClick={(event) => {
        if (event.delta > 4 || piece.id === typed) return; // the end of a turn of the view
        event.stopPropagation();
        onChoose(piece.id, event.shiftKey || event.ctrlKey || event.metaKey);
      }}
    >
      {shown.clusters.map((cluster, i) => {
        const geometry = shelf.get(cluster.key);
        if (!geometry) return null;
        const looks = letterFinishes(piece, shown, cluster);
        const materials = geometry.groups.map(({ part, letter }) =>
          materialOf(looks(letter) ?? finishOf(piece.slots, part), part, mode),
        );
        return (
          <group key={i} position={[cluster.x, cluster.y, cluster.z]}>
            <mesh geometry={geometry.solid} material={materials} castShadow receiveShadow />
            {showEdges && <lineSegments geometry={geometry.edges} material={edgeMaterial} raycast={() => null} />}
          </group>
        );
      })}
    </group>
  );
}
