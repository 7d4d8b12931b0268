import { MM_PER, type LengthUnit } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';

export interface FileFrame {
  unit: LengthUnit;
  /** which axis of the file points up; our own is y, fronts look to z */
  up: 'y' | 'z';
}

/** The mesh in a file's unit and axes. Turning is exact, and so is scaling by 1. */
export function inFrame(mesh: PolygonMesh, frame: FileFrame): PolygonMesh {
  if (frame.unit === 'mm' && frame.up === 'y') return mesh;
  const scale = MM_PER[frame.unit];
  const positions = new Float64Array(mesh.positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    const x = mesh.positions[i] / scale;
    const y = mesh.positions[i + 1] / scale;
    const z = mesh.positions[i + 2] / scale;
    positions[i] = x;
    positions[i + 1] = frame.up === 'z' ? 0 - z : y;
    positions[i + 2] = frame.up === 'z' ? y : z;
  }
  return { ...mesh, positions };
}
