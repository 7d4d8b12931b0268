import { lineAround, wordAround, type ShownPiece, type WordsPiece } from '@fictile/core';
import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useEffect, useRef, useState } from 'react';
import { Ray, Vector3 } from 'three';
import type { Sight } from './Solids.tsx';
import { Washes } from './Picked.tsx';
import { matrixOf, TOOL } from './scene.ts';
import { useStops, type Stops } from './useStops.ts';

/** Graphemes before the caret and before the other end of the selection. */
export interface CaretPlace {
  focus: number;
  anchor: number;
}

interface CaretProps {
  piece: WordsPiece;
  shown: ShownPiece;
  place: CaretPlace;
  /** a press that began the typing: the caret goes there */
  pressed: Sight | undefined;
  onPlace: (place: CaretPlace) => void;
}

const BLINK_MS = 530;

/** The caret and selection on the letters' own front, and the clicks that set them. */
export function Caret(props: CaretProps) {
  const { piece, shown, place } = props;
  const { line, transform } = shown;
  const stops = useStops(piece, shown);
  const presses = usePresses(props, stops);
  const isOn = useBlink(place);
  const { height, front } = stops;
  const caret = stops.at(place.focus);
  return (
    <group userData={TOOL} matrixAutoUpdate={false} matrix={matrixOf(transform)}>
      <mesh position={[0, (line.up + line.down) / 2, front]} visible={false} {...presses}>
        <planeGeometry args={catchSize(shown, height)} />
      </mesh>
      <Washes shown={shown} steps={piece.steps} ids={selected(piece, place)} />
      {caret && isOn && (
        <group matrixAutoUpdate={false} matrix={stops.frameOf(caret)}>
          <mesh position={[0, (line.up + line.down) / 2, 0]} renderOrder={3} raycast={() => null}>
            <boxGeometry args={[height * 0.018, height, height * 0.006]} />
            <meshBasicMaterial color="#22489c" depthTest={false} toneMapped={false} />
          </mesh>
        </group>
      )}
    </group>
  );
}

/** How many presses in a row take the word, and the line. */
const WORD_PRESSES = 2;
const LINE_PRESSES = 3;

/** Presses choose as in any text. The double press that began the typing counts as one that set the caret. */
function usePresses({ piece, place, pressed, onPlace }: CaretProps, { seenBy }: Stops) {
  const isDragging = useRef(false);
  const before = useRef(pressed ? 1 : 0);
  const begun = useRef(() => {
    if (!pressed) return;
    const at = seenBy(new Ray(new Vector3(...pressed.from), new Vector3(...pressed.toward)));
    if (at !== undefined) onPlace({ focus: at, anchor: at });
  });
  useEffect(() => begun.current(), []);
  const set = (event: ThreeEvent<PointerEvent>, keepsAnchor: boolean): void => {
    const at = seenBy(event.ray);
    event.stopPropagation();
    if (at !== undefined) onPlace({ focus: at, anchor: keepsAnchor ? place.anchor : at });
  };
  const takeAround = (around: typeof wordAround): void => {
    const [anchor, focus] = around(piece.source.graphemes, place.focus);
    onPlace({ anchor, focus });
  };
  return {
    onPointerDown: (event: ThreeEvent<PointerEvent>) => {
      isDragging.current = true;
      set(event, event.shiftKey);
    },
    onPointerMove: (event: ThreeEvent<PointerEvent>) => isDragging.current && set(event, true),
    onPointerUp: () => (isDragging.current = false),
    onClick: (event: ThreeEvent<MouseEvent>) => {
      event.stopPropagation();
      if (event.nativeEvent.detail === 1) before.current = 0;
      const presses = event.nativeEvent.detail - before.current;
      if (presses === WORD_PRESSES) takeAround(wordAround);
      if (presses === LINE_PRESSES) takeAround(lineAround);
    },
  };
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
