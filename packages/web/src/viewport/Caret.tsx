import { caretStops, lineAround, nearestStop, wordAround, type ShownPiece, type WordsPiece } from '@fictile/core';
import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Vector3, type Group, type Ray } from 'three';
import { Washes } from './Picked.tsx';
import { matrixOf, TOOL } from './scene.ts';
import { frameOn, useShape } from './shapeFrame.ts';

/** Graphemes before the caret and before the other end of the selection. */
export interface CaretPlace {
  focus: number;
  anchor: number;
}

interface CaretProps {
  piece: WordsPiece;
  shown: ShownPiece;
  place: CaretPlace;
  onPlace: (place: CaretPlace) => void;
}

const BLINK_MS = 530;

/** The caret and selection on the letters' own front, and the clicks that set them. */
export function Caret({ piece, shown, place, onPlace }: CaretProps) {
  const { line, letters, transform } = shown;
  const shape = useShape(piece.steps, shown);
  const stops = useMemo(
    () => caretStops(piece.source.graphemes, letters, line.baselines),
    [piece.source.graphemes, letters, line.baselines],
  );
  const group = useRef<Group>(null);
  const isOn = useBlink(place);
  const isDragging = useRef(false);
  const height = line.up - line.down;
  const front = line.front + height * 0.004;
  /** The letter after a stop; at the end the last one. */
  const letterAt = (at: number): number | undefined =>
    piece.source.graphemes[Math.min(at, piece.source.graphemes.length - 1)]?.id;
  const stopAt = (event: ThreeEvent<PointerEvent>): number | undefined => {
    if (shape) return nearestToRay(event.ray);
    const point = group.current?.worldToLocal(new Vector3().copy(event.point));
    return point && nearestStop(stops, point.x, point.y, line.up + line.down)?.at;
  };
  /** On shaped letters: the stop whose middle lies nearest to where the pointer looks. */
  const nearestToRay = (ray: Ray): number | undefined => {
    const matrix = matrixOf(transform);
    const middle = (line.up + line.down) / 2;
    const places = stops.map(({ x, y, turn, at }) =>
      new Vector3(0, middle, 0)
        .applyMatrix4(frameOn(shape, [x, y, front], { turn, letter: letterAt(at) }))
        .applyMatrix4(matrix),
    );
    const far = places.map((place) => ray.distanceSqToPoint(place));
    return stops[far.indexOf(Math.min(...far))]?.at;
  };
  const set = (event: ThreeEvent<PointerEvent>, keepsAnchor: boolean): void => {
    const at = stopAt(event);
    event.stopPropagation();
    if (at !== undefined) onPlace({ focus: at, anchor: keepsAnchor ? place.anchor : at });
  };
  const takeAround = (event: ThreeEvent<MouseEvent>, around: typeof wordAround): void => {
    event.stopPropagation();
    const [anchor, focus] = around(piece.source.graphemes, place.focus);
    onPlace({ anchor, focus });
  };
  const caret = stops[Math.min(place.focus, stops.length - 1)];
  return (
    <group ref={group} userData={TOOL} matrixAutoUpdate={false} matrix={matrixOf(transform)}>
      <mesh
        position={[0, (line.up + line.down) / 2, front]}
        visible={false}
        onPointerDown={(event) => {
          isDragging.current = true;
          set(event, event.shiftKey);
        }}
        onPointerMove={(event) => isDragging.current && set(event, true)}
        onPointerUp={() => (isDragging.current = false)}
        onDoubleClick={(event) => takeAround(event, wordAround)}
        onClick={(event) => event.nativeEvent.detail === 3 && takeAround(event, lineAround)}
      >
        <planeGeometry args={catchSize(shown, height)} />
      </mesh>
      <Washes shown={shown} steps={piece.steps} ids={selected(piece, place)} />
      {caret && isOn && (
        <group
          matrixAutoUpdate={false}
          matrix={frameOn(shape, [caret.x, caret.y, front], { turn: caret.turn, letter: letterAt(caret.at) })}
        >
          <mesh position={[0, (line.up + line.down) / 2, 0]} renderOrder={3} raycast={() => null}>
            <boxGeometry args={[height * 0.018, height, height * 0.006]} />
            <meshBasicMaterial color="#22489c" depthTest={false} toneMapped={false} />
          </mesh>
        </group>
      )}
    </group>
  );
}

/** Wide enough that clicks beside the words are caught too. */
function catchSize({ letters, line }: ShownPiece, height: number): [number, number] {
  const far = Math.max(0, ...letters.map((l) => Math.max(Math.abs(l.x), Math.abs(l.y))));
  return [4 * far + letters.length * height * 2 + height * 8, 4 * far + height * (line.baselines.length * 4 + 4)];
}

/** Ids of the graphemes between the ends of the selection. */
const selected = (piece: WordsPiece, { focus, anchor }: CaretPlace): number[] =>
  piece.source.graphemes.slice(Math.min(focus, anchor), Math.max(focus, anchor)).map((g) => g.id);

/** On right after every move; steady for those who asked for less motion. */
function useBlink(place: CaretPlace): boolean {
  const invalidate = useThree((three) => three.invalidate);
  const [isOn, setIsOn] = useState(true);
  useEffect(() => {
    setIsOn(true);
    if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    const timer = setInterval(() => setIsOn((on) => !on), BLINK_MS);
    return () => clearInterval(timer);
  }, [place]);
  useEffect(() => invalidate(), [isOn, place, invalidate]);
  return isOn;
}
