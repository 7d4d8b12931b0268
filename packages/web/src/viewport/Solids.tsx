import { isOpenMesh, toolsOf, type Piece, type Project, type ShownPiece, type Vec3 } from '@fictile/core';
import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useEffect } from 'react';
import { LineBasicMaterial, type Mesh } from 'three';
import type { GeometryShelf } from './geometries.ts';
import { groupMaterials } from './groupMaterials.ts';
import { finishesOf, letterFinishes } from './letterFinishes.ts';
import { ghostMaterial, type SurfaceMode } from './materials.ts';
import { useSolidDrag, type Placing } from './PlaceHandles.tsx';
import { anchored, anchorOf } from './heldAt.ts';
import { matrixOf, solidName, TOOL } from './scene.ts';
import type { Stepping } from './StepHandles.tsx';

const edgeMaterial = new LineBasicMaterial({ color: '#2b2118', transparent: true, opacity: 0.55 });

export interface SolidsProps {
  project: Project;
  pieces: readonly ShownPiece[];
  shelf: GeometryShelf;
  mode: SurfaceMode;
  showEdges: boolean;
  hands: Hands;
  /** mm to which drags are rounded */
  step: number;
}

/** What presses on solids mean, and which of them are held. */
export interface Hands {
  onChoose: (pieceId: string, isAlso: boolean) => void;
  /** double-click: the words want to be typed on, from the letter that was pressed */
  onType: (pieceId: string, pressed: Sight) => void;
  /** the piece that is typed on; it takes its clicks itself */
  typed: string | undefined;
  /** what cuts others and is at work: seen as a ghost */
  cutting: readonly string[];
  /** the pieces that a drag moves, while places are at work */
  held: ReadonlySet<string>;
  placing: Placing | undefined;
  /** while a shape step is at work: a press on what it is held on holds it there */
  stepping: Stepping | undefined;
  /** a piece is on its way: presses are its own */
  isCarrying: boolean;
}

/** All clusters of all pieces where they stand. */
export function Solids(props: SolidsProps) {
  const { project, pieces, mode, showEdges } = props;
  const { cutting, typed } = props.hands;
  const invalidate = useThree((three) => three.invalidate);
  useEffect(() => invalidate(), [project, pieces, mode, showEdges, invalidate]);
  const tools = toolsOf(project);
  const seen = new Set([...cutting, typed]);
  return pieces.map((shown) => {
    const piece = project.pieces[shown.pieceId];
    if (tools.has(shown.pieceId))
      return piece && seen.has(piece.id) && <GhostSolid key={piece.id} {...props} piece={piece} shown={shown} />;
    return piece && <Solid key={piece.id} {...props} piece={piece} shown={shown} />;
  });
}

/** What cuts, while it is worked on: no part of any picture. */
function GhostSolid({ piece, shown, shelf, hands }: SolidsProps & { piece: Piece; shown: ShownPiece }) {
  return (
    <group
      name={solidName(piece.id)}
      matrixAutoUpdate={false}
      matrix={matrixOf(shown.transform)}
      {...TOOL_GROUP}
      onDoubleClick={(event) => {
        event.stopPropagation();
        if (piece.id !== hands.typed) hands.onType(piece.id, sightOf(event));
      }}
    >
      {shown.clusters.map((cluster, i) => {
        const geometry = shelf.get(cluster.key);
        return (
          geometry && (
            <mesh
              key={i}
              geometry={geometry.solid}
              material={geometry.groups.map(() => ghostMaterial)}
              position={[cluster.x, cluster.y, cluster.z]}
            />
          )
        );
      })}
    </group>
  );
}

const TOOL_GROUP = { userData: TOOL };

function Solid(props: SolidsProps & { piece: Piece; shown: ShownPiece }) {
  const { project, piece, shown, shelf, mode, showEdges, hands, step } = props;
  const { typed, held, placing, isCarrying } = hands;
  const isHeld = placing !== undefined && held.has(piece.id) && !piece.locked;
  const painted = shelf.painted(shown);
  const invalidate = useThree((three) => three.invalidate);
  useEffect(() => void painted?.ready.then(() => invalidate()), [painted, invalidate]);
  const drag = useSolidDrag(isHeld ? placing : undefined, piece.placement.stand === 'table', step);
  return (
    <group
      name={solidName(piece.id)}
      matrixAutoUpdate={false}
      matrix={matrixOf(shown.transform)}
      {...(isHeld ? drag : {})}
      onDoubleClick={(event) => {
        event.stopPropagation();
        const hit = ownerAt(event, shown, shelf) ?? piece.id;
        if (!isCarrying && hit !== typed) hands.onType(hit, sightOf(event));
      }}
      onClick={(event) => {
        if (isCarrying || event.delta > 4 || piece.id === typed) return; // the end of a turn of the view
        event.stopPropagation();
        if (holdsHere(hands.stepping, piece.id, event)) return;
        hands.onChoose(ownerAt(event, shown, shelf) ?? piece.id, event.shiftKey || event.ctrlKey || event.metaKey);
      }}
    >
      {shown.clusters.map((cluster, i) => {
        const geometry = shelf.get(cluster.key);
        if (!geometry) return null;
        const ofLetter = letterFinishes(piece, shown, cluster);
        const materials = groupMaterials(
          geometry.groups,
          {
            slots: piece.slots,
            ofLetter,
            slotsOf: (id) => project.pieces[id]?.slots,
            ofCutter: finishesOf(project.pieces),
            painted: painted?.materials,
          },
          { ...mode, bothSides: isSheet(shown) },
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

/** Where the pointer looks from, and which way. */
export interface Sight {
  from: Vec3;
  toward: Vec3;
}

const sightOf = ({ ray }: ThreeEvent<MouseEvent>): Sight => ({
  from: ray.origin.toArray() as Vec3,
  toward: ray.direction.toArray() as Vec3,
});

const isSheet = ({ remarks }: ShownPiece): boolean => remarks.some(isOpenMesh);

/** A step at work that is held on this piece is held where it is pressed. */
function holdsHere(stepping: Stepping | undefined, pieceId: string, event: ThreeEvent<MouseEvent>): boolean {
  const held = anchorOf(stepping?.step);
  if (!stepping || held?.targetId !== pieceId || event.shiftKey || event.ctrlKey || event.metaKey) return false;
  const next = anchored(held.step, { hit: event, sight: event.ray.direction }, event.eventObject.matrixWorld);
  if (!next) return false;
  stepping.begin();
  stepping.change(next.step);
  return true;
}

/** The piece that has cut the face under the pointer: to press on engraved letters is to mean the words. */
function ownerAt(
  { faceIndex, object }: ThreeEvent<MouseEvent>,
  shown: ShownPiece,
  shelf: GeometryShelf,
): string | undefined {
  if (faceIndex === undefined || faceIndex === null) return undefined;
  const geometry = shown.clusters
    .map(({ key }) => shelf.get(key))
    .find((one) => one?.solid === (object as Mesh).geometry);
  return geometry?.groups.find(({ start, count }) => 3 * faceIndex >= start && 3 * faceIndex < start + count)?.of;
}
