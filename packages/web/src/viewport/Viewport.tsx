import type { Box3, Project, ShownPiece } from '@fictile/core';
import { Canvas } from '@react-three/fiber';
import { useMemo, useRef, type ReactNode } from 'react';
import { NeutralToneMapping, Vector3, type Box3 as DrawnBox } from 'three';
import { isDarkBackdrop } from './backdrop.ts';
import { Controls, type CameraHandle, type ViewWish } from './Controls.tsx';
import type { GeometryShelf } from './geometries.ts';
import type { SurfaceMode } from './materials.ts';
import type { MarkedPlaces } from './Marks.tsx';
import { gridStep } from './gridStep.ts';
import { MeasureGrid } from './MeasureGrid.tsx';
import { PictureTaker, type TakePicture } from './PictureTaker.tsx';
import { boundsOfPlaces, drawnBounds, drawnBox } from './scene.ts';
import { Solids, type Hands } from './Solids.tsx';
import { Surroundings } from './Surroundings.tsx';

export interface ViewportProps {
  project: Project;
  pieces: readonly ShownPiece[];
  /** around all that is seen */
  box: Box3;
  shelf: GeometryShelf;
  mode: SurfaceMode;
  showEdges: boolean;
  showGrid: boolean;
  wish: ViewWish;
  label: string;
  /** what a press on solids means now */
  hands: Hands;
  /** what the camera flies to: marks, or a body that something is put on */
  near: { marks?: MarkedPlaces; bodyId?: string };
  onCamera: (camera: CameraHandle | undefined) => void;
  /** wanted where still pictures are taken of this view */
  onPictures?: (take: TakePicture | undefined) => void;
  /** a double press beside everything */
  onMissed: () => void;
  /** tools and what else is drawn with the pieces */
  children: ReactNode;
}

/** Draws the pieces; nothing here computes meshes. */
export function Viewport(props: ViewportProps) {
  const { project, pieces } = props;
  const box = useMemo(() => drawnBox(props.box), [props.box]);
  const near = useNear(props, box);
  const standsOnTable = pieces.some((p) => project.pieces[p.pieceId]?.placement.stand === 'table');
  const lowest = box.isEmpty() ? -50 : box.min.y;
  const table = standsOnTable ? Math.min(0, lowest) : lowest;
  const size = box.isEmpty() ? 100 : longest(box);
  return (
    <Canvas
      aria-label={props.label}
      role="img"
      onPointerMissed={(event) => event.type === 'dblclick' && props.onMissed()}
      frameloop="demand"
      shadows="percentage"
      dpr={[1, 2]}
      gl={{ antialias: true, alpha: true, toneMapping: NeutralToneMapping, preserveDrawingBuffer: true }}
      camera={{ fov: 30, near: 1, far: 100_000, position: [0, 0, 800] }}
    >
      <Surroundings box={box} table={table} view={project.view} />
      {props.showGrid && <MeasureGrid box={box} table={table} isDark={isDarkBackdrop(project.view.surroundings)} />}
      <Solids {...props} step={gridStep(size) / 20} />
      {props.children}
      <Controls
        box={box}
        near={near}
        wish={props.wish}
        turns={props.hands.typed === undefined}
        pieces={pieces.length}
        onCamera={props.onCamera}
      />
      {props.onPictures && <PictureTaker surroundings={project.view.surroundings} onReady={props.onPictures} />}
    </Canvas>
  );
}

interface Near {
  box: DrawnBox;
  room: number;
}

/** Marks are flown to; a body only where it is small. */
function useNear({ pieces, shelf, near: { marks, bodyId } }: ViewportProps, box: DrawnBox): Near | undefined {
  const marked = marks && pieces.find((p) => p.pieceId === marks.pieceId);
  const atMarks = useMemo(
    () =>
      marks && marked && !marks.values && marks.triangles.length > 0
        ? { box: boundsOfPlaces(marks.triangles, marked.transform), room: 0.4 }
        : undefined,
    [marks, marked],
  );
  const latest = useRef({ pieces, box, shelf });
  latest.current = { pieces, box, shelf };
  const atBody = useMemo(() => {
    const { pieces: all, box: whole, shelf: solids } = latest.current;
    const body = all.find(({ pieceId }) => pieceId === bodyId);
    const own = body && drawnBounds([body], solids);
    return own && !own.isEmpty() && longest(own) < SMALL * longest(whole) ? { box: own, room: 0.05 } : undefined;
  }, [bodyId]);
  return atMarks ?? atBody;
}

/** Of all that is seen: a smaller body is brought near. */
const SMALL = 0.6;
const longest = (box: DrawnBox): number => Math.max(...box.getSize(new Vector3()).toArray());
