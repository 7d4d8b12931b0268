import { lengthOf } from '../math/index.ts';
import { boundingBox, doubledArea, toRings } from '../outline/index.ts';
import type { FaceStyle } from '../solid/index.ts';
import type { Cluster } from './clusters.ts';
import type { DrawingScale } from './letterOutline.ts';

/** How the faces of a lettering are cut. */
export type LetteringFaces =
  | { kind: 'plain' }
  /** so many bands over the whole lettering, one after another along the axis */
  | { kind: 'bands'; count: number; axis: 'x' | 'y' }
  /** squares, or quads that follow the strokes; 0: as large as suits the lettering */
  | { kind: 'grid' | 'flow'; sizeMm: number };

/** Faces of a letter as its later steps need them. */
export interface NeededFaces {
  faces: LetteringFaces | { kind: 'bandsEvery'; axis: 'x' | 'y'; everyMm: number };
  /** the longest edge along the depth, mm */
  deepestMm: number | undefined;
}

/** Of the em: the size that suits a lettering where none is asked for. */
const USUAL_SIZE_EM = 0.025;
/** Of the size and of the em: how much finer than their faces outlines are drawn that are cut anew. */
const FINER = 0.5;
const FINEST_EM = 0.25e-3;

/** The length that faces are asked to have, mm; undefined where they have none. */
export function faceSizeMm(faces: LetteringFaces, emMm: number): number | undefined {
  if (faces.kind !== 'grid' && faces.kind !== 'flow') return undefined;
  return faces.sizeMm > 0 ? faces.sizeMm : USUAL_SIZE_EM * emMm;
}

/** Outlines whose points are chosen anew are drawn finer, so that the new ones lie on the curves. */
export function drawnToleranceMm(faces: LetteringFaces, toleranceMm: number, emMm: number): number {
  return faceSizeMm(faces, emMm) === undefined ? toleranceMm : Math.min(FINER * toleranceMm, FINEST_EM * emMm);
}

/** What a lettering's faces mean for its clusters; grid steps, from the lettering's own zero. */
export type ClusterFaces =
  | { kind: 'plain' }
  | { kind: 'bands'; axis: 'x' | 'y'; at: readonly number[] }
  | { kind: 'grid' | 'flow'; size: number; tolerance: number; support: number };

/** `outward`: how far solids reach beyond the outlines, grid steps. */
export function clusterFaces(
  faces: NeededFaces['faces'],
  clusters: readonly Cluster[],
  {
    scale,
    toleranceMm,
    supportMm,
    outward,
  }: { scale: DrawingScale; toleranceMm: number; supportMm: number; outward: number },
): ClusterFaces {
  if (faces.kind === 'plain') return faces;
  if (faces.kind === 'bands') return { kind: 'bands', axis: faces.axis, at: bandLines(faces, clusters, outward) };
  if (faces.kind === 'bandsEvery') {
    const { axis, everyMm } = faces;
    const [low, high] = extentOf(axis, clusters, outward);
    const every = Math.max(8, Math.round(everyMm / scale.step));
    const first = Math.floor(low / every) + 1;
    const count = Math.max(0, Math.ceil(high / every) - first);
    return { kind: 'bands', axis, at: Array.from({ length: count }, (_, k) => (first + k) * every) };
  }
  const sizeMm = faceSizeMm(faces, scale.emMm) ?? 0;
  const { step } = scale;
  const size = Math.max(8, Math.round(sizeMm / step));
  return { kind: faces.kind, size, tolerance: toleranceMm / step, support: supportMm / step };
}

/** About how many faces squares and flowing quads make: fronts, backs and walls. Known before any is laid out. */
export function expectedFaces(faces: ClusterFaces, { members }: Cluster, depthSteps: number): number {
  if (faces.kind !== 'grid' && faces.kind !== 'flow') return 0;
  let [area, around] = [0, 0];
  for (const { outline } of members) {
    for (const ring of toRings(outline)) {
      area += doubledArea(ring) / 2;
      ring.forEach(
        (a, i) => (around += lengthOf(ring[(i + 1) % ring.length].x - a.x, ring[(i + 1) % ring.length].y - a.y)),
      );
    }
  }
  const { size } = faces;
  return Math.round((2 * area) / (size * size) + (around / size) * Math.max(1, depthSteps / size));
}

function bandLines(
  { axis, count }: { axis: 'x' | 'y'; count: number },
  clusters: readonly Cluster[],
  outward: number,
): number[] {
  const [low, high] = extentOf(axis, clusters, outward);
  return Array.from({ length: count - 1 }, (_, k) => Math.round(low + ((high - low) * (k + 1)) / count));
}

/** From where to where clusters reach along an axis, with what their solids reach beyond their outlines; grid steps. */
export function extentOf(axis: 'x' | 'y', clusters: readonly Cluster[], outward: number): [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (const { x, y, members } of clusters) {
    for (const { outline, dx, dy } of members) {
      const box = boundingBox(outline);
      const from = axis === 'x' ? x + dx : y + dy;
      low = Math.min(low, from + (axis === 'x' ? box.minX : box.minY));
      high = Math.max(high, from + (axis === 'x' ? box.maxX : box.maxY));
    }
  }
  return [low - outward, high + outward];
}

/** About a cluster's own origin. */
export function faceStyle(faces: ClusterFaces, { x, y }: Cluster): FaceStyle {
  if (faces.kind === 'bands') {
    const { axis } = faces;
    const at = faces.at.map((line) => line - (axis === 'x' ? x : y));
    return { kind: 'bands', lines: { axis, at } };
  }
  if (faces.kind !== 'grid') return faces.kind === 'flow' ? { ...faces, kind: 'flow' } : { kind: 'plain' };
  const { size, tolerance, support } = faces;
  return { kind: 'grid', size, tolerance, support, origin: { x: -x, y: -y } };
}

/** What of its faces a cluster's plan depends on: equal letters at equal places of a grid share one. */
export function faceKey(faces: ClusterFaces, { x, y }: Cluster): string {
  if (faces.kind === 'plain') return '';
  if (faces.kind === 'flow') return `flow ${faces.size} ${faces.tolerance} ${faces.support}`;
  if (faces.kind === 'bands') return `bands ${faces.axis} ${faces.at.join()} ${faces.axis === 'x' ? x : y}`;
  const { size, tolerance, support } = faces;
  return `grid ${size} ${tolerance} ${support} ${((x % size) + size) % size} ${((y % size) + size) % size}`;
}
