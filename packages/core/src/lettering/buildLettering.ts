import { LIMITS, remark, type Remark, type RunContext } from '../base/index.ts';
import { faceCount, meshBytes, type PolygonMesh } from '../mesh/index.ts';
import { gridStep, type Bands } from '../outline/index.ts';
import {
  flatBytes,
  flatWavefront,
  lift,
  liftSheet,
  sectionLayers,
  type FlatWavefront,
  type Section,
} from '../solid/index.ts';
import type { Layout } from '../text/index.ts';
import type { ClusterFlat, LetteringCaches } from './caches.ts';
import { clusterOutline, findClusters, type Cluster } from './clusters.ts';
import { emInSteps, type DrawingScale } from './letterOutline.ts';
import { RungRemarks } from './rungRemarks.ts';
import { Sections, type Profile, type SolidShape } from './sections.ts';

export interface LetteringOptions {
  solid: SolidShape;
  /** letters that stand apart with a solid of their own, by id */
  ownSolids: ReadonlyMap<number, SolidShape>;
  depthAnchor: 'back' | 'middle' | 'front';
  toleranceMm: number;
  apart: boolean;
  /** hollow letters, mm; undefined: full ones */
  bands: Bands | undefined;
  seed: number;
  faceBudget: number;
}

/** A cluster's solid about its own origin, and where that stands. Equal clusters share one mesh object. */
export interface BuiltCluster {
  key: string;
  mesh: PolygonMesh;
  /** mm */
  x: number;
  y: number;
  z: number;
  /** layout letters by the mesh's own letter index */
  letters: number[];
}

export interface LetteringStats {
  clusters: number;
  wavefronts: number;
  lifted: number;
}

export interface Lettering {
  clusters: BuiltCluster[];
  remarks: Remark[];
  /** what this run had to build; the rest came from the caches */
  built: LetteringStats;
}

/** Layout -> clusters -> solids. Cancelled between clusters: then undefined. */
export async function buildLettering(
  layout: Layout,
  options: LetteringOptions,
  tools: { caches: LetteringCaches; context: RunContext },
): Promise<Lettering | undefined> {
  const { solid, ownSolids, apart } = options;
  const scale = drawingScale(layout, options);
  const ownSolidOf = (letter: number): SolidShape | undefined => ownSolids.get(layout.letters[letter].id);
  const hasOwnSolid = (letter: number): boolean => ownSolidOf(letter) !== undefined;
  const { clusters, crossing, cutting, tooLarge } = findClusters(layout.letters, scale, tools.caches, {
    apart,
    hasOwnSolid,
  });
  const sections = new Sections(scale.step);
  const told = new RungRemarks(layout, scale.step);
  const built: LetteringStats = { clusters: clusters.length, wavefronts: 0, lifted: 0 };
  const job: ClusterJob = { scale, seed: options.seed, caches: tools.caches, built, filled: [] };
  const solids: BuiltCluster[] = [];
  let faces = 0;
  for (const [i, cluster] of clusters.entries()) {
    if (tools.context.cancelled()) return undefined;
    const profile = sections.of(ownSolidOf(cluster.members[0].letter) ?? solid);
    const { mesh, flat } = buildCluster(cluster, profile, job);
    told.add(cluster, flat, profile.section);
    faces += faceCount(mesh);
    if (faces > options.faceBudget) {
      const estimate = Math.round((faces / (i + 1)) * clusters.length);
      return {
        clusters: [],
        remarks: [...sections.remarks, remark('OVER_BUDGET', { faces: estimate, budget: options.faceBudget })],
        built,
      };
    }
    solids.push({
      key: solidKey(cluster, profile, job),
      mesh,
      x: cluster.x * scale.step,
      y: cluster.y * scale.step,
      z: (0 - Math.round((SHARE_BEHIND[options.depthAnchor] * profile.depthMm) / scale.step)) * scale.step,
      letters: cluster.members.map((m) => m.letter),
    });
    tools.context.progress((i + 1) / clusters.length);
    await tools.context.breathe();
  }
  const listed = (letters: readonly number[]): { letters: string } => ({ letters: textsOf(layout, letters) });
  const remarks = [
    ...sections.remarks,
    ...(solid.depthMm === 0 && solids.length > 0 ? [remark('FLAT_SHEET', {})] : []),
    ...(job.filled.length > 0 ? [remark('WALL_FILLS', listed(job.filled))] : []),
    ...(crossing.length > 0 ? [remark('LETTERS_CROSS', listed(crossing))] : []),
    ...(cutting.length > 0 ? [remark('LETTERS_APART', listed(cutting))] : []),
    ...(tooLarge.length > 0 ? [remark('OUTLINE_TOO_LARGE', { ...listed(tooLarge), limit: LIMITS.glyphPoints })] : []),
    ...told.remarks(),
  ];
  return { clusters: solids, remarks, built };
}

/** Of a solid's depth: how much lies behind zero. */
const SHARE_BEHIND = { back: 0, middle: 0.5, front: 1 } as const;

/** What all letters of a lettering share; drawings that are measured before they are built need it too. */
export function drawingScale(
  { extentMm, emMm }: Pick<Layout, 'extentMm' | 'emMm'>,
  { solid, ownSolids, toleranceMm, bands }: Pick<LetteringOptions, 'solid' | 'ownSolids' | 'toleranceMm' | 'bands'>,
): DrawingScale {
  const deepest = Math.max(solid.depthMm, ...[...ownSolids.values()].map((own) => own.depthMm));
  const step = gridStep(Math.max(extentMm, deepest));
  return { emMm, step, toleranceMm, bands: bands && inSteps(bands, step) };
}

/** Not more than anybody reads. */
const textsOf = (layout: Layout, letters: readonly number[]): string =>
  letters
    .slice(0, 40)
    .map((i) => layout.letters[i].text)
    .join(' ');

const inSteps = ({ outward, wide, count, gap, join }: Bands, step: number): Bands => ({
  join,
  outward: Math.round(outward / step),
  wide: Math.max(1, Math.round(wide / step)),
  count,
  gap: Math.max(1, Math.round(gap / step)),
});

interface ClusterJob {
  scale: DrawingScale;
  seed: number;
  caches: LetteringCaches;
  built: LetteringStats;
  /** letters that stayed full */
  filled: number[];
}

function flatKey(cluster: Cluster, { section, isSheet }: Profile, { seed }: ClusterJob): string {
  if (isSheet) return `${cluster.key} # sheet`;
  const ends = `${section.inset[0]} ${section.inset[section.inset.length - 1]}`;
  return `${cluster.key} # ${sectionLayers(section).join(' ')} # ${ends} # ${seed}`;
}

function solidKey(cluster: Cluster, profile: Profile, job: ClusterJob): string {
  const { section, isSheet } = profile;
  const flat = flatKey(cluster, profile, job);
  return isSheet ? flat : `${flat} # ${section.inset.join(' ')} # ${section.z.join(' ')}`;
}

function buildCluster(cluster: Cluster, profile: Profile, job: ClusterJob): { mesh: PolygonMesh; flat: FlatWavefront } {
  const { flat, isFull } = clusterFlat(cluster, profile, job);
  if (isFull) job.filled.push(...cluster.members.map((m) => m.letter));
  const key = solidKey(cluster, profile, job);
  const known = job.caches.solids.get(key);
  if (known) return { mesh: known, flat };
  const { step } = job.scale;
  const mesh = profile.isSheet ? liftSheet(flat, step) : liftFitting(flat, profile.section, step);
  job.built.lifted++;
  job.caches.solids.set(key, mesh, meshBytes(mesh));
  return { mesh, flat };
}

/** Where the ladder ended without any edge the plan has no layers left, and the wall goes straight up. */
function liftFitting(flat: FlatWavefront, section: Section, step: number): PolygonMesh {
  const fits = flat.partition.layers.length === sectionLayers(section).length + 1;
  return lift(flat, { section: fits ? section : straightSection(section), step });
}

const straightSection = (section: Section): Section => ({
  inset: [0, 0],
  z: [section.z[0], section.z[section.z.length - 1]],
  part: ['wall'],
});

function clusterFlat(cluster: Cluster, profile: Profile, job: ClusterJob): ClusterFlat {
  const key = flatKey(cluster, profile, job);
  const known = job.caches.flats.get(key);
  if (known) return known;
  const { section, isSheet } = profile;
  const { outline, isFull } = clusterOutline(cluster, job.scale);
  const flat = flatWavefront(outline, {
    layers: isSheet ? [] : sectionLayers(section),
    capInsets: isSheet ? [0] : [section.inset[0], section.inset[section.inset.length - 1]],
    em: emInSteps(job.scale),
    seed: job.seed,
  });
  job.built.wavefronts++;
  const made = { flat, isFull };
  job.caches.flats.set(key, made, flatBytes(flat));
  return made;
}
