import type { Project, ShownPiece } from '@fictile/core';
import { Canvas } from '@react-three/fiber';
import { useMemo } from 'react';
import { NeutralToneMapping } from 'three';
import { Caret, type CaretPlace } from './Caret.tsx';
import { Controls, type ViewWish } from './Controls.tsx';
import type { GeometryShelf } from './geometries.ts';
import type { SurfaceMode } from './materials.ts';
import { Marks, type MarkedPlaces } from './Marks.tsx';
import { PictureTaker, type TakePicture } from './PictureTaker.tsx';
import { boundsOf, boundsOfPlaces } from './scene.ts';
import { Solids } from './Solids.tsx';
import { Surroundings } from './Surroundings.tsx';

/** The caret on a piece's letters. */
export interface Typing {
  pieceId: string;
  place: CaretPlace;
}

interface ViewportProps {
  project: Project;
  pieces: readonly ShownPiece[];
  shelf: GeometryShelf;
  mode: SurfaceMode;
  showEdges: boolean;
  wish: ViewWish;
  label: string;
  chosen: string | undefined;
  marks: MarkedPlaces | undefined;
  onChoose: (pieceId: string) => void;
  onType: (pieceId: string) => void;
  typing: Typing | undefined;
  onPlace: (place: CaretPlace) => void;
  onPictures: (take: TakePicture | undefined) => void;
}

/** Draws the pieces; nothing here computes meshes. */
export function Viewport(props: ViewportProps) {
  const {
    project,
    pieces,
    shelf,
    mode,
    showEdges,
    wish,
    label,
    chosen,
    marks,
    typing,
    onChoose,
    onType,
    onPlace,
    onPictures,
  } = props;
  const marked = marks && pieces.find((p) => p.pieceId === marks.pieceId);
  const near = useMemo(
    () =>
      marks && marked && marks.triangles.length > 0 ? boundsOfPlaces(marks.triangles, marked.transform) : undefined,
    [marks, marked],
  );
  const typed = typing && pieces.find((p) => p.pieceId === typing.pieceId);
  const box = useMemo(() => boundsOf(pieces, shelf), [pieces, shelf]);
  const standsOnTable = pieces.some((p) => project.pieces[p.pieceId]?.placement.stand === 'table');
  const lowest = box.isEmpty() ? -50 : box.min.y;
  return (
    <Canvas
      aria-label={label}
      role="img"
      onPointerMissed={(event) => event.type === 'dblclick' && chosen !== undefined && onType(chosen)}
      frameloop="demand"
      shadows="percentage"
      dpr={[1, 2]}
      gl={{ antialias: true, alpha: true, toneMapping: NeutralToneMapping, preserveDrawingBuffer: true }}
      camera={{ fov: 30, near: 1, far: 100_000, position: [0, 0, 800] }}
    >
      <Surroundings box={box} table={standsOnTable ? Math.min(0, lowest) : lowest} />
      <Solids
        project={project}
        pieces={pieces}
        shelf={shelf}
        mode={mode}
        showEdges={showEdges}
        onChoose={onChoose}
        onType={onType}
        typed={typing?.pieceId}
      />
      {typing && typed && (
        <Caret piece={project.pieces[typing.pieceId]} shown={typed} place={typing.place} onPlace={onPlace} />
      )}
      {marks && marks.triangles.length > 0 && <Marks marks={marks} pieces={pieces} />}
      <Controls box={box} near={near} wish={wish} turns={!typing} />
      <PictureTaker onReady={onPictures} />
    </Canvas>
  );
}
