import { Html } from '@react-three/drei';
import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { BufferGeometry, CanvasTexture, Float32BufferAttribute, type Group, type Vector3 } from 'three';
import type { DragHandlers } from './useDrag.ts';
import { useOwnGeometry } from './useOwnGeometry.ts';

const COBALT = '#22489c';

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

/** Something to take hold of, of the same size on the screen however far away. */
export function Knob({ at, drag, text, onDone, onDoubleClick, size: share = 1, children }: KnobProps) {
  const group = useRef<Group>(null);
  const [isOver, setIsOver] = useState(false);
  const { gl, invalidate } = useThree();
  useFrame(({ camera, size }) => {
    const half = Math.tan(((camera as { fov?: number }).fov ?? 30) * (Math.PI / 360));
    group.current?.scale.setScalar((camera.position.distanceTo(at) * half * 16 * share) / size.height);
  });
  useEffect(() => {
    gl.domElement.style.cursor = isOver || text !== undefined ? 'grab' : '';
    invalidate();
    return () => void (gl.domElement.style.cursor = '');
  }, [isOver, text, gl, invalidate]);
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
        <meshBasicMaterial color="#fdfbf6" depthTest={false} transparent toneMapped={false} />
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
