import { isWords, type Project, type ShownPiece, type Step } from '@fictile/core';
import { Canvas } from '@react-three/fiber';
import { useMemo, useRef } from 'react';
import { NeutralToneMapping, Vector3, type Box3 } from 'three';
import { isDarkBackdrop } from './backdrop.ts';
import { Caret, type CaretPlace } from './Caret.tsx';
import { Carried, type Carrying } from './Carried.tsx';
import { CurveHandles, type Bending } from './CurveHandles.tsx';
import { Controls, type CameraHandle, type ViewWish } from './Controls.tsx';
import type { GeometryShelf } from './geometries.ts';
import { Ghost, type Ghosts } from './Ghost.tsx';
import type { SurfaceMode } from './materials.ts';
import { Marks, type MarkedPlaces } from './Marks.tsx';
import { gridStep } from './gridStep.ts';
import { MeasureGrid } from './MeasureGrid.tsx';
import { PictureTaker, type TakePicture } from './PictureTaker.tsx';
import { Picked } from './Picked.tsx';
import { PlaceHandles, type Placing } from './PlaceHandles.tsx';
import { boundsOf, boundsOfPlaces } from './scene.ts';
import { Lift } from './Lift.tsx';
import { SolidHandles, type Shaping } from './SolidHandles.tsx';
import { StepHandles, type Stepping } from './StepHandles.tsx';
import { Solids } from './Solids.tsx';
import { Surroundings } from './Surroundings.tsx';

/** The caret on a piece's letters. */
export interface Typing {
  pieceId: string;
  place: CaretPlace;
}

export interface ViewportProps {
  project: Project;
  pieces: readonly ShownPiece[];
  /** around all of them */
  box: Box3;
  shelf: GeometryShelf;
  mode: SurfaceMode;
  showEdges: boolean;
  showGrid: boolean;
  wish: ViewWish;
  label: string;
  /** the piece at work first, then those chosen with it */
  chosen: readonly string[];
  marks: MarkedPlaces | undefined;
  onChoose: (pieceId: string, isAlso: boolean) => void;
  onType: (pieceId: string) => void;
  typing: Typing | undefined;
  /** letters that are worked on, by their graphemes */
  picked: { pieceId: string; ids: readonly number[] } | undefined;
  onPlace: (place: CaretPlace) => void;
  /** while places are at work */
  placing: Placing | undefined;
  /** while a curve is at work */
  bending: Bending | undefined;
  /** while the solid is at work */
  shaping: Shaping | undefined;
  /** while a shape step is at work */
  stepping: Stepping | undefined;
  /** a piece on its way onto a body */
  carrying: Carrying | undefined;
  /** pieces that cut others and are at work */
  cutting: readonly string[];
  /** another state, laid over as lines */
  ghost: Ghosts | undefined;
  /** pixels that everything is shown further up */
  lift: number;
  onCamera: (camera: CameraHandle | undefined) => void;
  onPictures: (take: TakePicture | undefined) => void;
}

const NO_STEPS: readonly Step[] = [];

/** Draws the pieces; nothing here computes meshes. */
export function Viewport(props: ViewportProps) {
  const { project, pieces, box, chosen, marks, typing, placing, bending, shaping, stepping, onType } = props;
  const marked = marks && pieces.find((p) => p.pieceId === marks.pieceId);
  const near = useNear(props, marked);
  const typed = typing && pieces.find((p) => p.pieceId === typing.pieceId);
  const typedPiece = typing && project.pieces[typing.pieceId];
  const picked = props.picked && pieces.find((p) => p.pieceId === props.picked?.pieceId);
  const bent = bending && pieces.find((p) => p.pieceId === bending.pieceId);
  const shaped = shaping && pieces.find((p) => p.pieceId === shaping.pieceId);
  const stepped = stepping && pieces.find((p) => p.pieceId === stepping.pieceId);
  const standsOnTable = pieces.some((p) => project.pieces[p.pieceId]?.placement.stand === 'table');
  const lowest = box.isEmpty() ? -50 : box.min.y;
  const table = standsOnTable ? Math.min(0, lowest) : lowest;
  const lead = chosen.length > 0 ? chosen[0] : undefined;
  const held = useMemo(() => new Set(chosen), [chosen]);
  const size = box.isEmpty() ? 100 : Math.max(...box.getSize(new Vector3()).toArray());
  return (
    <Canvas
      aria-label={props.label}
      role="img"
      onPointerMissed={(event) => event.type === 'dblclick' && lead !== undefined && onType(lead)}
      frameloop="demand"
      shadows="percentage"
      dpr={[1, 2]}
      gl={{ antialias: true, alpha: true, toneMapping: NeutralToneMapping, preserveDrawingBuffer: true }}
      camera={{ fov: 30, near: 1, far: 100_000, position: [0, 0, 800] }}
    >
      <Surroundings box={box} table={table} view={project.view} />
      {props.showGrid && <MeasureGrid box={box} table={table} isDark={isDarkBackdrop(project.view.surroundings)} />}
      <Solids {...props} typed={typing?.pieceId} held={held} step={gridStep(size) / 20} />
      {typing && typed && typedPiece && isWords(typedPiece) && (
        <Caret piece={typedPiece} shown={typed} place={typing.place} onPlace={props.onPlace} />
      )}
      {!typing && props.picked && picked && (
        <Picked shown={picked} steps={project.pieces[picked.pieceId]?.steps ?? NO_STEPS} ids={props.picked.ids} />
      )}
      {bending && bent && <CurveHandles bending={bending} shown={bent} />}
      {shaping && shaped && <SolidHandles shaping={shaping} shown={shaped} shelf={props.shelf} />}
      {stepping && stepped && <StepHandles stepping={stepping} shown={stepped} />}
      {props.carrying && <Carried carrying={props.carrying} pieces={pieces} shelf={props.shelf} />}
      {placing && lead !== undefined && <Handles {...props} pieceId={lead} placing={placing} />}
      {marks && marks.triangles.length > 0 && <Marks marks={marks} pieces={pieces} />}
      <Controls
        box={box}
        near={near}
        wish={props.wish}
        turns={!typing}
        pieces={pieces.length}
        onCamera={props.onCamera}
      />
      {props.ghost && <Ghost {...props.ghost} />}
      {props.lift > 0 && <Lift pixels={props.lift} />}
      <PictureTaker surroundings={project.view.surroundings} onReady={props.onPictures} />
    </Canvas>
  );
}

type Near = { box: Box3; room: number };

/** What the camera flies to: marks, or a small body that something is put on. */
function useNear(
  { pieces, box, shelf, marks, carrying }: ViewportProps,
  marked: ShownPiece | undefined,
): Near | undefined {
  const atMarks = useMemo(
    () =>
      marks && marked && !marks.values && marks.triangles.length > 0
        ? { box: boundsOfPlaces(marks.triangles, marked.transform), room: 0.4 }
        : undefined,
    [marks, marked],
  );
  const latest = useRef({ pieces, box, shelf });
  latest.current = { pieces, box, shelf };
  const begunOn = carrying?.begunOn;
  const atBody = useMemo(() => {
    const { pieces: all, box: whole, shelf: solids } = latest.current;
    const body = all.find(({ pieceId }) => pieceId === begunOn);
    const own = body && boundsOf([body], solids);
    return own && !own.isEmpty() && longest(own) < SMALL * longest(whole) ? { box: own, room: 0.05 } : undefined;
  }, [begunOn]);
  return atMarks ?? atBody;
}

/** Of all that is seen: a smaller body is brought near. */
const SMALL = 0.6;
const longest = (box: Box3): number => Math.max(...box.getSize(new Vector3()).toArray());

function Handles({ project, pieces, shelf, pieceId, placing }: ViewportProps & { pieceId: string; placing: Placing }) {
  const shown = pieces.find((p) => p.pieceId === pieceId);
  const box = useMemo(() => boundsOf(shown ? [shown] : [], shelf), [shown, shelf]);
  const piece = project.pieces[pieceId];
  if (!piece || piece.locked || box.isEmpty()) return null;
  return <PlaceHandles placement={piece.placement} box={box} placing={placing} />;
}
