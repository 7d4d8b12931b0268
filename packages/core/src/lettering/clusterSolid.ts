import { spelled, type Crew, type Named, type StageRow } from '../base/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { sectionEnds, sectionLayers, type Corners, type FlatWavefront } from '../solid/index.ts';
import { faceStyle, type ClusterFaces } from '../faces/index.ts';
import type { LetteringCaches } from './caches.ts';
import type { Cluster } from './clusters.ts';
import type { DrawingScale } from './letterOutline.ts';
import type { BuiltProfile } from './sections.ts';
import type { FlatInputs, FlatTools } from './stages/clusterFlat.ts';

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

export type PlanRow = StageRow<FlatInputs, FlatTools>;

/** What clusters' plans are to be: of a thousand letters most are equal to others, and named with them. */
export function planRows(clusters: readonly Cluster[], profiles: readonly BuiltProfile[], job: ClusterJob): PlanRow[] {
  const { seed, corners, longestEdge, caches, built, cancelled } = job;
  const tools: FlatTools = { cancelled, count: () => built.wavefronts++ };
  const known = new Map<BuiltProfile, Map<string, PlanRow>>();
  return clusters.map((cluster, i) => {
    const { section } = profiles[i];
    const style = faceStyle(job.facesOf(cluster), cluster);
    const rows = known.get(profiles[i]) ?? new Map<string, PlanRow>();
    known.set(profiles[i], rows);
    const name = `${cluster.shape.key} ${spelled(style)}`;
    const row =
      rows.get(name) ??
      caches.flats.row(
        {
          cluster: cluster.shape,
          ...{ layers: sectionLayers(section), capInsets: sectionEnds(section) },
          ...{ corners, seed, longestEdge, style },
        },
        tools,
      );
    rows.set(name, row);
    return row;
  });
}

/** Many plans, worked out by all threads that there are. */
export async function plansTogether(
  rows: readonly PlanRow[],
  { caches, built }: ClusterJob,
  { crew, progress }: { crew: Crew; progress(share: number): void },
): Promise<void> {
  const longestFirst = rows.map((row) => ({ row, points: pointsOf(row) })).sort((a, b) => b.points - a.points);
  await caches.flats.fill(
    longestFirst.map(({ row }) => row),
    crew,
    { sent: ({ inputs }) => inputs, noted: () => built.wavefronts++, progress },
  );
}

const pointsOf = ({ inputs }: PlanRow): number =>
  inputs.cluster.of.members.reduce((sum, { outline }) => sum + outline.of.x.length, 0);

/** A cluster's mesh about its own origin, from the caches where it is known; `known`: those of this run. */
export function clusterSolid(
  cluster: Cluster,
  { section, isSheet }: BuiltProfile,
  { plan, job, known }: { plan: PlanRow; job: ClusterJob; known: Map<PlanRow, Named<PolygonMesh>> },
): ClusterSolid {
  const { caches, built, scale, uv } = job;
  const flat = caches.flats.take(plan);
  const letters = cluster.members.map((m) => m.letter);
  if (flat.of.isFull) job.filled.push(...letters);
  if (flat.of.fellBack) job.plain.push(...letters);
  // equal plans are of one profile, and so are their solids
  const solid =
    known.get(plan) ??
    caches.solids.get({ flat, section, isSheet, step: scale.step, uv }, { count: () => built.lifted++ });
  known.set(plan, solid);
  const { key, of: mesh } = solid;
  return { key, mesh, flat: flat.of.flat };
}

/** The greatest distance from the outline inside a cluster, grid steps. */
export const clusterReach = (cluster: Cluster, { seed, corners, caches, cancelled }: ClusterJob): number =>
  caches.reaches.get({ cluster: cluster.shape, corners, seed }, { cancelled }).of;
