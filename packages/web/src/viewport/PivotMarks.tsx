import { Html } from '@react-three/drei';
import { useThree } from '@react-three/fiber';
import type { Transform, Vec3 } from '@fictile/core';
import { useEffect, useMemo, useState } from 'react';
import { Vector3 } from 'three';
import { COBALT, PAPER, useCursor, useSteady } from './handleParts.tsx';
import { matrixOf, TOOL } from './scene.ts';

/** A place that can be pressed. */
export interface PressedMark {
  key: string;
  at: Vec3;
  label: string;
  isNow: boolean;
}

interface PivotMarksProps {
  marks: readonly PressedMark[];
  /** from the space of the marks to the scene */
  transform: Transform;
  /** where the pivot is, in the space of the marks */
  pivot: Vec3;
  onPress: (key: string) => void;
  onNear: (key: string) => void;
}

/** The pivot, and all places that it may be brought to: beads on the piece, the one under the pointer says its name. */
export function PivotMarks({ marks, transform, pivot, onPress, onNear }: PivotMarksProps) {
  const matrix = useMemo(() => matrixOf(transform), [transform]);
  const invalidate = useThree((three) => three.invalidate);
  useEffect(() => invalidate(), [marks, matrix, pivot, invalidate]);
  const inScene = (at: Vec3): Vector3 => new Vector3(...at).applyMatrix4(matrix);
  return (
    <group userData={TOOL}>
      {marks.map((mark) => (
        <Bead key={mark.key} mark={mark} at={inScene(mark.at)} onPress={onPress} onNear={onNear} />
      ))}
      <PivotRing at={inScene(pivot)} />
    </group>
  );
}

interface BeadProps {
  mark: PressedMark;
  at: Vector3;
  onPress: (key: string) => void;
  onNear: (key: string) => void;
}

function Bead({ mark, at, onPress, onNear }: BeadProps) {
  const group = useSteady(at, 0.375);
  const [isOver, setIsOver] = useState(false);
  useCursor(isOver ? 'pointer' : '', isOver);
  return (
    <group
      ref={group}
      position={at}
      onPointerOver={(event) => {
        event.stopPropagation();
        setIsOver(true);
        onNear(mark.key);
      }}
      onPointerOut={() => setIsOver(false)}
      onClick={(event) => {
        event.stopPropagation();
        onPress(mark.key);
      }}
    >
      {/* easier to meet than it looks */}
      <mesh visible={false}>
        <sphereGeometry args={[1.7, 8, 6]} />
      </mesh>
      <mesh renderOrder={7} raycast={() => null}>
        <sphereGeometry args={[isOver ? 1.5 : 1, 16, 12]} />
        <meshBasicMaterial
          color={isOver || mark.isNow ? COBALT : PAPER}
          depthTest={false}
          transparent
          toneMapped={false}
        />
      </mesh>
      <mesh renderOrder={6} raycast={() => null}>
        <sphereGeometry args={[isOver ? 1.8 : 1.3, 16, 12]} />
        <meshBasicMaterial color={COBALT} depthTest={false} transparent toneMapped={false} />
      </mesh>
      {isOver && (
        <Html center position={[0, 4.5, 0]} zIndexRange={[5, 0]} style={{ pointerEvents: 'none' }}>
          <span className="handle-words">{mark.label}</span>
        </Html>
      )}
    </group>
  );
}

/** Where it is turned about: a ring round a point, in the plane of the screen. */
function PivotRing({ at }: { at: Vector3 }) {
  const group = useSteady(at, 0.75, true);
  return (
    <group ref={group} position={at} userData={TOOL}>
      <mesh renderOrder={9} raycast={() => null}>
        <ringGeometry args={[1.25, 1.7, 40]} />
        <meshBasicMaterial color={COBALT} depthTest={false} transparent toneMapped={false} />
      </mesh>
      <mesh renderOrder={9} raycast={() => null}>
        <circleGeometry args={[0.5, 20]} />
        <meshBasicMaterial color={COBALT} depthTest={false} transparent toneMapped={false} />
      </mesh>
    </group>
  );
}
