import { useMemo } from 'react';
import { BufferGeometry, Float32BufferAttribute, Vector3, type Box3 } from 'three';
import { gridStep } from './gridStep.ts';
import { useOwnGeometry } from './useOwnGeometry.ts';

const MOST_CELLS = 40;

/** Lines on the table at round lengths, with zero among them. */
export function MeasureGrid({ box, table, isDark }: { box: Box3; table: number; isDark: boolean }) {
  const [geometry, step] = useMemo(() => {
    const size = box.isEmpty() ? new Vector3(100, 100, 20) : box.getSize(new Vector3());
    const middle = box.isEmpty() ? new Vector3() : box.getCenter(new Vector3());
    const step = gridStep(Math.max(size.x, size.y, size.z));
    return [gridLines(middle, step, Math.max(size.x, size.z) * 0.75), step];
  }, [box]);
  useOwnGeometry(geometry);
  return (
    <lineSegments geometry={geometry} position={[0, table + step * 0.002, 0]} raycast={() => null}>
      <lineBasicMaterial color={isDark ? '#a3bcf3' : '#22489c'} transparent opacity={0.35} toneMapped={false} />
    </lineSegments>
  );
}

function gridLines(middle: Vector3, step: number, half: number): BufferGeometry {
  const cells = Math.min(MOST_CELLS, Math.ceil(half / step) + 1);
  const [cx, cz] = [middle.x, middle.z].map((v) => Math.round(v / step) * step);
  const points: number[] = [];
  for (let i = -cells; i <= cells; i++) {
    points.push(cx + i * step, 0, cz - cells * step, cx + i * step, 0, cz + cells * step);
    points.push(cx - cells * step, 0, cz + i * step, cx + cells * step, 0, cz + i * step);
  }
  return new BufferGeometry().setAttribute('position', new Float32BufferAttribute(points, 3));
}
