import { doubledArea, toRings, type Outline, type PolygonMesh } from '@fictile/core';
import { ExtrudeGeometry, Path, Shape, Vector2 } from 'three';

/**
 * The general library's way to a bevelled letter, on the same polylines (mm): the measure that ours is held against.
 */
export interface ExtrudeOptions {
  depth: number;
  inset: number;
  deep: number;
  steps: number;
}

export function shapesOf(outline: Outline, step: number): Shape[] {
  const rings = toRings(outline).map((ring) => ({
    points: ring.map((v) => new Vector2(v.x * step, v.y * step)),
    area: doubledArea(ring),
  }));
  const outers = rings.filter((r) => r.area > 0).map((r) => ({ shape: new Shape(r.points), ...r }));
  for (const hole of rings.filter((r) => r.area < 0)) {
    const around = outers.filter((o) => contains(o.points, hole.points[0])).sort((a, b) => a.area - b.area)[0];
    around?.shape.holes.push(new Path(hole.points));
  }
  return outers.map((o) => o.shape);
}

function contains(ring: readonly Vector2[], p: Vector2): boolean {
  let inside = false;
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length];
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  });
  return inside;
}

export function extrude(shapes: readonly Shape[], { depth, inset, deep, steps }: ExtrudeOptions): ExtrudeGeometry {
  return new ExtrudeGeometry([...shapes], {
    depth: depth - 2 * deep,
    curveSegments: 1,
    bevelEnabled: true,
    bevelSize: inset,
    bevelOffset: -inset,
    bevelThickness: deep,
    bevelSegments: steps,
  });
}

/** Its triangles as a mesh, joined where coordinates are equal. */
export function meshOf(geometry: ExtrudeGeometry): PolygonMesh {
  const position = geometry.getAttribute('position');
  const rows = new Map<string, number>();
  const positions: number[] = [];
  const corners: number[] = [];
  for (let i = 0; i < position.count; i += 3) {
    const triangle = [0, 1, 2].map((k) => {
      const p = [position.getX(i + k), position.getY(i + k), position.getZ(i + k)];
      const key = p.join(' ');
      let row = rows.get(key);
      if (row === undefined) {
        row = rows.size;
        rows.set(key, row);
        positions.push(...p);
      }
      return row;
    });
    if (new Set(triangle).size === 3) corners.push(...triangle);
  }
  const faces = corners.length / 3;
  return {
    positions: Float64Array.from(positions),
    faceStart: Uint32Array.from({ length: faces + 1 }, (_, i) => 3 * i),
    faceVertices: Uint32Array.from(corners),
    sharp: new Uint8Array(corners.length),
    region: new Uint32Array(faces),
    regions: [{ part: 'body', letter: -1, contour: -1 }],
  };
}

/**
 * A fixed set of polylines, extruded in the same process before anything else: the yardstick that times are told in.
 */
export function yardstick(): number {
  const star = (n: number, r: number): Vector2[] =>
    Array.from({ length: n }, (_, i) => {
      const radius = i % 2 === 0 ? r : 0.6 * r;
      const angle = (2 * Math.PI * i) / n;
      return new Vector2(radius * Math.cos(angle), radius * Math.sin(angle));
    });
  const shapes = [24, 60, 100, 160, 240].map((n) => {
    const shape = new Shape(star(n, 50));
    shape.holes.push(new Path(star(n / 2, 20).reverse()));
    return shape;
  });
  const once = (): number => {
    const start = performance.now();
    for (let i = 0; i < 10; i++) extrude(shapes, { depth: 18, inset: 1, deep: 1, steps: 6 }).dispose();
    return (performance.now() - start) / 10;
  };
  once();
  return Math.min(once(), once(), once());
}
