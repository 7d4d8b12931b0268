import { meshBytes, type PolygonMesh } from '../mesh/index.ts';
import { boundingBox, divide } from '../outline/index.ts';
import {
  flatBytes,
  flatWavefront,
  lift,
  liftSheet,
  sectionEnds,
  sectionLayers,
  type Corners,
  type FlatWavefront,
  type Section,
} from '../solid/index.ts';
import type { ClusterFlat, LetteringCaches } from './caches.ts';
import { clusterOutline, type Cluster } from './clusters.ts';
import { facedFlat, faceKey, faceStyle, type ClusterFaces } from '../faces/index.ts';
import { emInSteps, type DrawingScale } from './letterOutline.ts';
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
export function clusterSolid(cluster: Cluster, profile: BuiltProfile, job: ClusterJob): ClusterSolid {
  const { flat, isFull, fellBack } = clusterFlat(cluster, profile, job);
  const letters = cluster.members.map((m) => m.letter);
  if (isFull) job.filled.push(...letters);
  if (fellBack) job.plain.push(...letters);
  const key = `${solidKey(cluster, profile, job)}${job.uv ? ' # uv' : ''}`;
  const known = job.caches.solids.get(key);
  if (known) return { key, mesh: known, flat };
  const { step } = job.scale;
  const { isSheet, section } = profile;
  const mesh = isSheet ? liftSheet(flat, step, section.inset[0]) : liftFitting(flat, section, { step, uv: job.uv });
  job.built.lifted++;
  job.caches.solids.set(key, mesh, meshBytes(mesh));
  return { key, mesh, flat };
}

function flatKey(cluster: Cluster, { section, isSheet }: BuiltProfile, job: ClusterJob): string {
  const { seed, corners, longestEdge } = job;
  const way = `${seed} ${corners} ${longestEdge ?? ''} ${faceKey(job.facesOf(cluster), cluster)}`;
  if (isSheet) return `${cluster.key} # sheet # ${section.inset[0]} # ${way}`;
  return `${cluster.key} # ${sectionLayers(section).join(' ')} # ${sectionEnds(section).join(' ')} # ${way}`;
}

function solidKey(cluster: Cluster, profile: BuiltProfile, job: ClusterJob): string {
  const { section, isSheet } = profile;
  const flat = flatKey(cluster, profile, job);
  return isSheet ? flat : `${flat} # ${section.inset.join(' ')} # ${section.z.join(' ')}`;
}

/** Where the ladder ended without any edge the plan has no layers left, and the wall goes straight up. */
function liftFitting(flat: FlatWavefront, section: Section, how: { step: number; uv: boolean }): PolygonMesh {
  const fits = flat.partition.layers.length === sectionLayers(section).length + 1;
  return lift(flat, { section: fits ? section : straightSection(section), ...how });
}

const straightSection = (section: Section): Section => ({
  inset: [0, 0],
  z: [section.z[0], section.z[section.z.length - 1]],
  part: ['wall'],
});

function clusterFlat(cluster: Cluster, profile: BuiltProfile, job: ClusterJob): ClusterFlat {
  const key = flatKey(cluster, profile, job);
  const known = job.caches.flats.get(key);
  if (known) return known;
  const { section } = profile;
  const { outline, isFull } = clusterOutline(cluster, job.scale);
  const faced = facedFlat(
    job.longestEdge === undefined ? outline : divide(outline, job.longestEdge),
    {
      layers: sectionLayers(section),
      capInsets: sectionEnds(section),
      em: emInSteps(job.scale),
      corners: job.corners,
      seed: job.seed,
      cancelled: job.cancelled,
    },
    faceStyle(job.facesOf(cluster), cluster),
  );
  job.built.wavefronts++;
  const made = { ...faced, isFull };
  job.caches.flats.set(key, made, flatBytes(faced.flat));
  return made;
}

/** The greatest distance from the outline inside a cluster, grid steps: where a front running inward from everywhere ends. */
export function clusterReach(cluster: Cluster, { scale, seed, corners, caches, cancelled }: ClusterJob): number {
  const key = `${cluster.key} # reach ${seed} ${corners}`;
  const known = caches.reaches.get(key);
  if (known !== undefined) return known;
  const { outline } = clusterOutline(cluster, scale);
  const box = boundingBox(outline);
  // no circle inside is larger than half the box
  const end = Math.ceil(Math.min(box.maxX - box.minX, box.maxY - box.minY) / 2) + 16;
  const { partition } = flatWavefront(outline, {
    layers: [end],
    capInsets: [end],
    em: emInSteps(scale),
    corners,
    seed,
    cancelled,
  });
  const reach = outline.x.length === 0 ? 0 : partition.inset.reduce((a, b) => Math.max(a, b), 0);
  caches.reaches.set(key, reach, 2 * key.length + 32);
  return reach;
}
