import { Html } from '@react-three/drei';
import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState, type ReactNode, type RefObject } from 'react';
import { BufferGeometry, CanvasTexture, Float32BufferAttribute, type Group, type Vector3 } from 'three';
import type { DragHandlers } from './useDrag.ts';
import { useOwnGeometry } from './useOwnGeometry.ts';

export const COBALT = '#22489c';
export const PAPER = '#fdfbf6';

let dotTexture: CanvasTexture | undefined;

function roundDot(): CanvasTexture {
  if (dotTexture) return dotTexture;
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = 32;
  const brush = canvas.getContext('2d');
  if (brush) {
    brush.fillStyle = '#ffffff';
    brush.arc(16, 16, 15, 0, 2 * Math.PI);
    brush.fill();
  }
  return (dotTexture = new CanvasTexture(canvas));
}

/** A dotted line, told apart from the edges of a mesh. */
export function Dots({ points }: { points: readonly number[] }) {
  const geometry = useMemo(
    () => new BufferGeometry().setAttribute('position', new Float32BufferAttribute([...points], 3)),
    [points],
  );
  useOwnGeometry(geometry);
  return (
    <points geometry={geometry} renderOrder={6} raycast={() => null}>
      <pointsMaterial
        color={COBALT}
        size={5}
        map={roundDot()}
        alphaTest={0.5}
        sizeAttenuation={false}
        depthTest={false}
        transparent
        toneMapped={false}
      />
    </points>
  );
}

export interface KnobProps {
  at: Vector3;
  drag: DragHandlers;
  text: string | undefined;
  onDone: () => void;
  onDoubleClick?: () => void;
  /** of the screen's height, against the usual */
  size?: number;
  children: ReactNode;
}

/** Of the same size on the screen, however far away; `isFacing`: turned to it. */
export function useSteady(at: Vector3, share: number, isFacing = false): RefObject<Group | null> {
  const group = useRef<Group>(null);
  useFrame(({ camera, size }) => {
    if (!group.current) return;
    const half = Math.tan(((camera as { fov?: number }).fov ?? 30) * (Math.PI / 360));
    group.current.scale.setScalar((camera.position.distanceTo(at) * half * 16 * share) / size.height);
    if (isFacing) group.current.quaternion.copy(camera.quaternion);
  });
  return group;
}

/** What the pointer looks like; the view is drawn again as that or what it depends on changes. */
export function useCursor(cursor: string, ...changes: readonly [isOver: boolean, text?: string]): void {
  const { gl, invalidate } = useThree();
  const [isOver, text] = changes;
  useEffect(() => {
    gl.domElement.style.cursor = cursor;
    invalidate();
    return () => void (gl.domElement.style.cursor = '');
  }, [cursor, isOver, text, gl, invalidate]);
}

/** Something to take hold of, of the same size on the screen however far away. */
export function Knob({ at, drag, text, onDone, onDoubleClick, size: share = 1, children }: KnobProps) {
  const group = useSteady(at, share);
  const [isOver, setIsOver] = useState(false);
  useCursor(isOver || text !== undefined ? 'grab' : '', isOver, text);
  const isLit = isOver || text !== undefined;
  return (
    <group
      ref={group}
      position={at}
      {...drag}
      onPointerUp={(event) => {
        drag.onPointerUp(event);
        onDone();
      }}
      onPointerOver={() => setIsOver(true)}
      onPointerOut={() => setIsOver(false)}
      onClick={(event) => event.stopPropagation()}
      onDoubleClick={(event) => {
        event.stopPropagation();
        onDoubleClick?.();
      }}
    >
      <mesh renderOrder={7}>
        {children}
        <meshBasicMaterial color={PAPER} depthTest={false} transparent toneMapped={false} />
      </mesh>
      <mesh renderOrder={8} scale={isLit ? 0.9 : 0.72} raycast={() => null}>
        {children}
        <meshBasicMaterial color={COBALT} depthTest={false} transparent toneMapped={false} />
      </mesh>
      {text !== undefined && (
        <Html center position={[0, -3.2, 0]} zIndexRange={[5, 0]} style={{ pointerEvents: 'none' }}>
          <span className="handle-words">{text}</span>
        </Html>
      )}
    </group>
  );
}
