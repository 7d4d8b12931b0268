import type { ShownPiece } from '@fictile/core';
import { useMemo } from 'react';
import { Vector3 } from 'three';
import type { GeometryShelf } from './geometries.ts';
import { gridStep } from './gridStep.ts';
import { Dots } from './handleParts.tsx';
import { LineKnob } from './LineKnob.tsx';
import { matrixOf, TOOL } from './scene.ts';

/** Depth and front edge of a piece, while they are at work. Lengths in mm. */
export interface Shaping {
  pieceId: string;
  depthMm: number;
  /** how far the front moves when the depth grows by one: the depth's zero may lie behind, in the middle or in front */
  frontShare: number;
  edgeInMm: number;
  begin: () => void;
  setDepth: (mm: number) => void;
  /** as deep as it was for its width */
  setEdge: (mm: number) => void;
  words: { depth: (mm: number) => string; edge: (mm: number) => string };
}

interface SolidHandlesProps {
  shaping: Shaping;
  shown: ShownPiece;
  shelf: GeometryShelf;
}

/**
 * A ball on the front to pull the depth by, and one on the front's rim to pull the edge by; dots show the way of each.
 */
export function SolidHandles({ shaping, shown, shelf }: SolidHandlesProps) {
  const places = useMemo(() => placesOf(shown, shelf), [shown, shelf]);
  const matrix = useMemo(() => matrixOf(shown.transform), [shown.transform]);
  if (!places) return null;
  const { rim, grip, size } = places;
  const [across, , normal] = [0, 1, 2].map((k) => new Vector3().setFromMatrixColumn(matrix, k).normalize());
  const toWorld = (point: Vector3): Vector3 => point.clone().applyMatrix4(matrix);
  const step = gridStep(size) / 20;
  // where the front itself stays, the back is pulled
  const pull = shaping.frontShare === 0 ? -1 : 1 / shaping.frontShare;
  const { depthMm, edgeInMm, begin, words } = shaping;
  const front = shaping.frontShare === 0 ? grip.clone().setZ(shown.line.front - depthMm) : grip;
  const back = front.clone().setZ(front.z - Math.sign(pull) * depthMm);
  return (
    <group userData={TOOL}>
      <Dots points={wayBetween(toWorld(back), toWorld(front))} />
      <LineKnob
        at={toWorld(front)}
        way={normal}
        value={depthMm}
        share={pull}
        step={step}
        begin={begin}
        change={shaping.setDepth}
        words={words.depth}
      />
      <Dots points={wayBetween(toWorld(rim.clone().setX(rim.x - edgeInMm)), toWorld(rim))} />
      <LineKnob
        at={toWorld(rim)}
        way={across}
        value={edgeInMm}
        share={1}
        step={step / 10}
        begin={begin}
        change={shaping.setEdge}
        words={words.edge}
      />
    </group>
  );
}

interface Places {
  /** the leftmost point of the front, in the piece's own mm */
  rim: Vector3;
  /** on the front, at its right end */
  grip: Vector3;
  /** of the longest side */
  size: number;
}

/** Vertices this close to the front, of the piece's size, lie on it. */
const ON_FRONT = 1e-4;

function placesOf(shown: ShownPiece, shelf: GeometryShelf): Places | undefined {
  const solids = shown.clusters.map(({ key, x, y, z }) => ({ p: shelf.triangles(key)?.positions ?? [], x, y, z }));
  let size = 1;
  for (const { p, x, y } of solids)
    for (let i = 0; i < p.length; i += 3) size = Math.max(size, Math.abs(p[i] + x), Math.abs(p[i + 1] + y));
  const { front } = shown.line;
  const rim = new Vector3(Infinity, 0, front);
  const grip = new Vector3(-Infinity, 0, front);
  for (const { p, x, y, z } of solids)
    for (let i = 0; i < p.length; i += 3) {
      if (Math.abs(p[i + 2] + z - front) > ON_FRONT * size) continue;
      if (p[i] + x < rim.x) rim.set(p[i] + x, p[i + 1] + y, p[i + 2] + z);
      if (p[i] + x > grip.x) grip.set(p[i] + x, p[i + 1] + y, front);
    }
  return rim.x < Infinity ? { rim, grip, size } : undefined;
}

const DOTS = 10;

const wayBetween = (from: Vector3, to: Vector3): number[] =>
  Array.from({ length: DOTS }, (_, i) =>
    from
      .clone()
      .lerp(to, i / DOTS)
      .toArray(),
  ).flat();
