import { remark, type Remark, type RunContext } from '../base/index.ts';
import { faceCount, meshBytes, type PolygonMesh } from '../mesh/index.ts';
import { gridStep, type Bands } from '../outline/index.ts';
import {
  buildSection,
  flatBytes,
  flatWavefront,
  lift,
  liftSheet,
  sectionLayers,
  type EdgeShape,
  type FlatWavefront,
  type Section,
} from '../solid/index.ts';
import type { Layout } from '../text/index.ts';
import type { ClusterFlat, LetteringCaches } from './caches.ts';
import { clusterOutline, findClusters, type Cluster } from './clusters.ts';
import { emInSteps, type DrawingScale } from './letterOutline.ts';

export interface LetteringOptions {
  depthMm: number;
  depthAnchor: 'back' | 'middle' | 'front';
  front: EdgeShape;
  back: EdgeShape;
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
  const step = gridStep(Math.max(layout.extentMm, options.depthMm));
  const scale: DrawingScale = {
    emMm: layout.emMm,
    step,
    toleranceMm: options.toleranceMm,
    bands: options.bands && inSteps(options.bands, step),
  };
  const { clusters, crossing } = findClusters(layout.letters, scale, tools.caches, options.apart);
  const { section, remarks: ofSection } = buildSection({
    depthMm: options.depthMm,
    front: options.front,
    back: options.back,
    step,
  });
  // a sheet has no edges that could be scaled or left out
  const remarks = options.depthMm === 0 ? [] : ofSection;
  const told = new RungRemarks(layout, step);
  const built: LetteringStats = { clusters: clusters.length, wavefronts: 0, lifted: 0 };
  const job: ClusterJob = {
    scale,
    section,
    isSheet: options.depthMm === 0,
    seed: options.seed,
    caches: tools.caches,
    built,
    filled: [],
  };
  const solids: BuiltCluster[] = [];
  const z = {
    back: 0,
    middle: -Math.round(options.depthMm / step / 2) * step,
    front: -Math.round(options.depthMm / step) * step,
  };
  let faces = 0;
  for (const [i, cluster] of clusters.entries()) {
    if (tools.context.cancelled()) return undefined;
    const { mesh, flat } = buildCluster(cluster, job);
    told.add(cluster, flat, section);
    faces += faceCount(mesh);
    if (faces > options.faceBudget) {
      const estimate = Math.round((faces / (i + 1)) * clusters.length);
      return {
        clusters: [],
        remarks: [...remarks, remark('OVER_BUDGET', { faces: estimate, budget: options.faceBudget })],
        built,
      };
    }
    solids.push({
      key: solidKey(cluster, job),
      mesh,
      x: cluster.x * step,
      y: cluster.y * step,
      z: z[options.depthAnchor],
      letters: cluster.members.map((m) => m.letter),
    });
    tools.context.progress((i + 1) / clusters.length);
    await tools.context.breathe();
  }
  if (job.isSheet && solids.length > 0) remarks.push(remark('FLAT_SHEET', {}));
  if (job.filled.length > 0) remarks.push(remark('WALL_FILLS', { letters: textsOf(layout, job.filled) }));
  if (crossing.length > 0) remarks.push(remark('LETTERS_CROSS', { letters: textsOf(layout, crossing) }));
  return { clusters: solids, remarks: [...remarks, ...told.remarks()], built };
}

/** Not more than anybody reads. */
const textsOf = (layout: Layout, letters: readonly number[]): string =>
  letters
    .slice(0, 40)
    .map((i) => layout.letters[i].text)
    .join(' ');

const inSteps = ({ outward, wide, count, gap }: Bands, step: number): Bands => ({
  outward: Math.round(outward / step),
  wide: Math.max(1, Math.round(wide / step)),
  count,
  gap: Math.max(1, Math.round(gap / step)),
});

interface ClusterJob {
  scale: DrawingScale;
  section: Section;
  isSheet: boolean;
  seed: number;
  caches: LetteringCaches;
  built: LetteringStats;
  /** letters that stayed full */
  filled: number[];
}

function flatKey(cluster: Cluster, { section, isSheet, seed }: ClusterJob): string {
  if (isSheet) return `${cluster.key} # sheet`;
  const ends = `${section.inset[0]} ${section.inset[section.inset.length - 1]}`;
  return `${cluster.key} # ${sectionLayers(section).join(' ')} # ${ends} # ${seed}`;
}

function solidKey(cluster: Cluster, job: ClusterJob): string {
  const { section, isSheet } = job;
  return isSheet
    ? flatKey(cluster, job)
    : `${flatKey(cluster, job)} # ${section.inset.join(' ')} # ${section.z.join(' ')}`;
}

function buildCluster(cluster: Cluster, job: ClusterJob): { mesh: PolygonMesh; flat: FlatWavefront } {
  const { flat, isFull } = clusterFlat(cluster, job);
  if (isFull) job.filled.push(...cluster.members.map((m) => m.letter));
  const key = solidKey(cluster, job);
  const known = job.caches.solids.get(key);
  if (known) return { mesh: known, flat };
  const mesh = job.isSheet ? liftSheet(flat, job.scale.step) : liftFitting(flat, job);
  job.built.lifted++;
  job.caches.solids.set(key, mesh, meshBytes(mesh));
  return { mesh, flat };
}

/** Where the ladder ended without any edge the plan has no layers left, and the wall goes straight up. */
function liftFitting(flat: FlatWavefront, { section, scale }: ClusterJob): PolygonMesh {
  const fits = flat.partition.layers.length === sectionLayers(section).length + 1;
  return lift(flat, { section: fits ? section : straightSection(section), step: scale.step });
}

const straightSection = (section: Section): Section => ({
  inset: [0, 0],
  z: [section.z[0], section.z[section.z.length - 1]],
  part: ['wall'],
});

function clusterFlat(cluster: Cluster, job: ClusterJob): ClusterFlat {
  const key = flatKey(cluster, job);
  const known = job.caches.flats.get(key);
  if (known) return known;
  const { section, isSheet } = job;
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

/** Collects what is to be told of the ladder's rungs and of ridges, by letter. */
class RungRemarks {
  readonly #layout: Layout;
  readonly #step: number;
  readonly #letters = new Map<string, Set<string>>();
  readonly #values = new Map<string, { askedMm: number; takenMm: number }>();

  constructor(layout: Layout, step: number) {
    this.#layout = layout;
    this.#step = step;
  }

  add(cluster: Cluster, flat: FlatWavefront, section: Section): void {
    const asked = Math.max(...section.inset) * this.#step;
    const { rung } = flat;
    if (rung.kind === 'jittered' || rung.kind === 'opened')
      this.#note(rung.kind, cluster, { askedMm: 0, takenMm: rung.byGridSteps * this.#step });
    if (rung.kind === 'narrowed') this.#note(rung.kind, cluster, { askedMm: asked, takenMm: asked * rung.share });
    if (rung.kind === 'given-up') this.#note(rung.kind, cluster, { askedMm: asked, takenMm: 0 });
    const innermost = flat.partition.rings[flat.partition.rings.length - 1];
    if (rung.kind !== 'given-up' && innermost.from.length === 0)
      this.#note('meets', cluster, { askedMm: asked, takenMm: asked });
  }

  #note(kind: string, cluster: Cluster, values: { askedMm: number; takenMm: number }): void {
    const names = this.#letters.get(kind) ?? new Set<string>();
    for (const m of cluster.members) names.add(this.#layout.letters[m.letter].text);
    this.#letters.set(kind, names);
    const before = this.#values.get(kind);
    if (!before || values.takenMm > before.takenMm) this.#values.set(kind, values);
  }

  remarks(): Remark[] {
    return [...this.#letters].map(([kind, names]): Remark => {
      const letters = [...names].slice(0, 40).join(' ');
      const { askedMm, takenMm } = this.#values.get(kind) ?? { askedMm: 0, takenMm: 0 };
      if (kind === 'jittered') return remark('EDGE_JITTERED', { letters, byMm: takenMm });
      if (kind === 'opened') return remark('EDGE_OPENED', { letters, byMm: takenMm });
      if (kind === 'narrowed') return remark('EDGE_NARROWED', { letters, askedMm, takenMm });
      if (kind === 'meets') return remark('EDGE_MEETS', { letters });
      return remark('LETTER_LEFT_OUT', { letters });
    });
  }
}
