import type { ShownPiece, Step } from '@fictile/core';
import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import { matrixOf, TOOL } from './scene.ts';
import { frameOn, useShape } from './shapeFrame.ts';

interface PickedProps {
  shown: ShownPiece;
  /** of the piece: marks stand where they put the letters */
  steps: readonly Step[];
  /** of graphemes */
  ids: readonly number[];
}

/** A bar under each letter that is worked on, and a wash so thin that its finish is still to be seen. */
export function Picked({ shown, steps, ids }: PickedProps) {
  const invalidate = useThree((three) => three.invalidate);
  useEffect(() => {
    invalidate();
    return () => invalidate();
  }, [shown, ids, invalidate]);
  return (
    <group userData={TOOL} matrixAutoUpdate={false} matrix={matrixOf(shown.transform)}>
      <Planes shown={shown} steps={steps} ids={ids} from={-0.06} to={-0.02} opacity={1} />
      <Planes shown={shown} steps={steps} ids={ids} from={0} to={1} opacity={0.16} />
    </group>
  );
}

/** A wash over letters that are selected. */
export const Washes = ({ shown, steps, ids }: PickedProps) => (
  <Planes shown={shown} steps={steps} ids={ids} from={0} to={1} opacity={0.28} />
);

interface PlanesProps extends PickedProps {
  /** shares of the line's height, from its foot */
  from: number;
  to: number;
  opacity: number;
}

/** Flat pieces as wide as their letters, on the letters' own front. */
function Planes({ shown, steps, ids, from, to, opacity }: PlanesProps) {
  const { line, letters } = shown;
  const shape = useShape(steps, shown);
  const height = line.up - line.down;
  const front = line.front + height * 0.004;
  return letters
    .filter((letter) => ids.includes(letter.id))
    .map(({ id, x, y, turn, advance }) => (
      <group
        key={id}
        matrixAutoUpdate={false}
        matrix={frameOn(shape, [x + (advance / 2) * Math.cos(turn), y + (advance / 2) * Math.sin(turn), front], {
          turn,
          letter: id,
        })}
      >
        <mesh position={[0, line.down + (height * (from + to)) / 2, 0]} renderOrder={2} raycast={() => null}>
          <planeGeometry args={[Math.max(advance, height * 0.02), height * (to - from)]} />
          <meshBasicMaterial color="#22489c" transparent opacity={opacity} depthTest={false} toneMapped={false} />
        </mesh>
      </group>
    ));
}
