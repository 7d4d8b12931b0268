import type { PolygonMesh } from '../mesh/index.ts';
import { sectionEnds, sectionLayers, type Corners, type FlatWavefront } from '../solid/index.ts';
import { faceStyle, type ClusterFaces } from '../faces/index.ts';
import type { LetteringCaches } from './caches.ts';
import type { Cluster } from './clusters.ts';
import type { DrawingScale } from './letterOutline.ts';
import type { BuiltProfile } from './sections.ts';

export interface LetteringStats {
  clusters: number;
  wavefronts: number;
  lifted: number;
}

/** What all clusters of one run share. */
export interface ClusterJob {
  scale: DrawingScale;
  seed: number;
  corners: Corners;
  /** edges of outlines are cut to this length, grid steps; undefined: as they are */
  longestEdge: number | undefined;
  facesOf: (cluster: Cluster) => ClusterFaces;
  caches: LetteringCaches;
  built: LetteringStats;
  /** with texture coordinates, which only files need */
  uv: boolean;
  /** letters that stayed full */
  filled: number[];
  /** letters whose faces are plain, because no valid ones of the wanted style were found */
  plain: number[];
  cancelled: () => boolean;
}

export interface ClusterSolid {
  key: string;
  mesh: PolygonMesh;
  flat: FlatWavefront;
}

/** A cluster's mesh about its own origin, from the caches where it is known. */
export function clusterSolid(cluster: Cluster, { section, isSheet }: BuiltProfile, job: ClusterJob): ClusterSolid {
  const { seed, corners, longestEdge, caches, built, cancelled, scale, uv } = job;
  const flat = caches.flats.get(
    {
      cluster: cluster.shape,
      layers: sectionLayers(section),
      capInsets: sectionEnds(section),
      corners,
      seed,
      longestEdge,
      style: faceStyle(job.facesOf(cluster), cluster),
    },
    { cancelled, count: () => built.wavefronts++ },
  );
  const letters = cluster.members.map((m) => m.letter);
  if (flat.of.isFull) job.filled.push(...letters);
  if (flat.of.fellBack) job.plain.push(...letters);
  const { key, of: mesh } = caches.solids.get(
    { flat, section, isSheet, step: scale.step, uv },
    { count: () => built.lifted++ },
  );
  return { key, mesh, flat: flat.of.flat };
}

/** The greatest distance from the outline inside a cluster, grid steps. */
export const clusterReach = (cluster: Cluster, { seed, corners, caches, cancelled }: ClusterJob): number =>
  caches.reaches.get({ cluster: cluster.shape, corners, seed }, { cancelled }).of;
