import { finerTolerance, LIMITS, remark, Stopped, type Named, type Remark, type RunContext } from '../base/index.ts';
import { faceCount, type PolygonMesh } from '../mesh/index.ts';
import { gridStep, type Bands } from '../outline/index.ts';
import { changesAlong, depthLevels, twistShare, type Corners, type Finer } from '../solid/index.ts';
import type { Layout } from '../text/index.ts';
import type { BuiltCluster } from './builtCluster.ts';
import type { LetteringCaches } from './caches.ts';
import { findClusters, type Cluster } from './clusters.ts';
import {
  clusterReach,
  clusterSolid,
  planRows,
  plansTogether,
  type ClusterJob,
  type LetteringStats,
  type PlanRow,
} from './clusterSolid.ts';
import { crossingLetters } from './crossingLetters.ts';
import { isDrawn } from '../solid/index.ts';
import { drawnToleranceMm, faceSizeMm, type LetteringFaces } from '../faces/index.ts';
import { planFaces, type DepthRange, type NeedOf, type NeedReport } from './facesPlan.ts';
import type { DrawingScale } from './letterOutline.ts';
import { meetingLetters, type ClusterPlan } from './meetingLetters.ts';
import { RungRemarks } from './rungRemarks.ts';
import { Sections, type BuiltProfile, type SolidShape } from './sections.ts';
import { textsOf } from './textsOf.ts';
import { towardsBack, type DeepCluster, type TowardsBack } from './towardsBack.ts';

export interface LetteringOptions {
  solid: SolidShape;
  /** letters that stand apart with a solid of their own, by id */
  ownSolids: ReadonlyMap<number, SolidShape>;
  /** how corners run that edges run away from */
  corners?: Corners;
  along?: TowardsBack;
  /** where its zero lies, or how far its back lies behind that */
  depthAnchor: 'back' | 'middle' | 'front' | { behindMm: number };
  toleranceMm: number;
  /** plain unless said otherwise */
  faces?: LetteringFaces;
  /** distance of support loops beside sharp bends, mm; 0: none */
  supportMm?: number;
  /** how fine steps that follow need the faces */
  needOf?: NeedOf;
  apart: boolean;
  /** with texture coordinates; none unless said otherwise */
  uv?: boolean;
  /** hollow letters, mm; undefined: full ones */
  bands: Bands | undefined;
  seed: number;
  faceBudget: number;
}

export interface Lettering {
  clusters: BuiltCluster[];
  remarks: Remark[];
  /** undefined where no step needs any size of faces */
  need?: NeedReport;
  /** what this run had to build; the rest came from the caches */
  built: LetteringStats;
}

interface Tools {
  caches: LetteringCaches;
  context: RunContext;
}

/** Layout -> clusters -> solids. Cancelled between clusters or inside a large one: then undefined. */
export async function buildLettering(
  layout: Layout,
  options: LetteringOptions,
  tools: Tools,
): Promise<Lettering | undefined> {
  try {
    return await build(layout, options, tools);
  } catch (error) {
    if (error instanceof Stopped) return undefined;
    throw error;
  }
}

const overBudget = (faces: number, budget: number, before: readonly Remark[], built: LetteringStats): Lettering => ({
  clusters: [],
  remarks: [...before, remark('OVER_BUDGET', { faces, budget })],
  built,
});

/** Remarks of nothing but letters. */
type LetterCode = 'FACES_PLAIN' | 'WALL_FILLS' | 'LETTERS_CROSS' | 'LETTERS_APART';

const listedOf =
  ({ letters }: Layout) =>
  (code: LetterCode, row: readonly number[]): Remark[] =>
    row.length > 0 ? [remark(code, { letters: textsOf(row, letters) })] : [];

async function build(layout: Layout, options: LetteringOptions, tools: Tools): Promise<Lettering | undefined> {
  const { solid, ownSolids, apart, along, faces = PLAIN_FACES, supportMm = 0 } = options;
  const scale = drawingScale(layout, options);
  const ownSolidOf = (letter: number): SolidShape | undefined => ownSolids.get(layout.letters[letter].id);
  const solidOf = ({ members }: Cluster): SolidShape => ownSolidOf(members[0].letter) ?? solid;
  const sections = new Sections(scale.step, finer(faces, supportMm, scale));
  const corners = options.corners ?? 'sharp';
  const { clusters, cutting, tooLarge } = findClusters(layout.letters, scale, tools.caches, {
    apart,
    hasOwnSolid: (letter) => ownSolidOf(letter) !== undefined,
    outward: (letter) => sections.outward(ownSolidOf(letter) ?? solid),
    corners,
  });
  const told = new RungRemarks(layout, { step: scale.step, toleranceMm: options.toleranceMm });
  const outmost = (row: readonly Cluster[]): number => Math.max(0, ...row.map((c) => sections.outward(solidOf(c))));
  const built: LetteringStats = { clusters: clusters.length, wavefronts: 0, lifted: 0 };
  const budget = Math.min(options.faceBudget, LIMITS.laidOutFaces);
  const depthOf = (c: Cluster): DepthRange => depthRange(solidOf(c).depthMm, options.depthAnchor, scale.step);
  const plan = await planFaces(faces, clusters, {
    scale,
    toleranceMm: options.toleranceMm,
    supportMm,
    outward: outmost(clusters),
    depthOf,
    needOf: options.needOf,
    budget,
  });
  const job = jobOf(layout, options, { tools, scale, built, facesOf: plan.facesOf });
  if (plan.expected > budget) return overBudget(plan.expected, budget, [], built);
  const swells = clusters.some((c) => solidOf(c).swell);
  const reachMm = swells ? scale.step * Math.max(...clusters.map((c) => clusterReach(c, job))) : 0;
  const raised = await raise(clusters, { options, tools, job, told, solidOf }, (cluster) =>
    sections.of(solidOf(cluster), reachMm, plan.longestOf(cluster)),
  );
  if (!raised) return undefined;
  if ('faces' in raised) return overBudget(raised.faces, options.faceBudget, sections.remarks, built);
  const { solids, plans } = raised;
  const changed = changedAlong(solids, along, tools.caches);
  const running = along && mayCross(along) ? crossingLetters(changed, () => tools.context.cancelled()) : [];
  if (tools.context.cancelled()) return undefined;
  const listed = listedOf(layout);
  const isSheet = solid.depthMm === 0 && solids.length > 0;
  const remarks = [
    ...sections.remarks,
    ...(isSheet ? [remark('FLAT_SHEET', {})] : []),
    ...listed('FACES_PLAIN', job.plain),
    ...listed('WALL_FILLS', job.filled),
    ...listed('LETTERS_CROSS', meetingLetters(plans)),
    ...listed('LETTERS_APART', cutting),
    ...tooLargeRemarks(tooLarge, layout),
    ...(along ? alongRemarks(textsOf(running, layout.letters), along, options) : []),
    ...told.remarks(),
  ];
  return { clusters: changed, remarks, need: plan.need, built };
}

interface Begun extends Pick<ClusterJob, 'scale' | 'built' | 'facesOf'> {
  tools: Tools;
}

const jobOf = (layout: Layout, options: LetteringOptions, { tools, ...begun }: Begun): ClusterJob => ({
  ...begun,
  seed: options.seed,
  corners: options.corners ?? 'sharp',
  longestEdge: longestEdge(layout, options, begun.scale),
  uv: options.uv ?? false,
  caches: tools.caches,
  filled: [],
  plain: [],
  cancelled: () => tools.context.cancelled(),
});

/** Grid steps: walls that are twisted are divided; undefined where none are. */
const longestEdge = (
  { emMm }: Layout,
  { along, toleranceMm }: LetteringOptions,
  { step }: DrawingScale,
): number | undefined =>
  along && along.twistDegrees !== 0 ? Math.ceil((emMm * TWISTED_EDGE_EM * twistShare(toleranceMm)) / step) : undefined;

/** What has ink, turned and narrowed towards its back where that is wanted. */
function changedAlong(
  solids: readonly DeepCluster[],
  along: TowardsBack | undefined,
  caches: LetteringCaches,
): BuiltCluster[] {
  const inked = solids.filter(({ mesh }) => faceCount(mesh) > 0);
  if (along && changesAlong(along)) return towardsBack(inked, along, caches);
  return inked.map(({ depths: _, ...solid }) => solid);
}

const tooLargeRemarks = (row: readonly number[], { letters }: Layout): Remark[] =>
  row.length > 0 ? [remark('OUTLINE_TOO_LARGE', { letters: textsOf(row, letters), limit: LIMITS.glyphPoints })] : [];

/** Of all the work: plans, where several threads make them first. */
const PLANS = 0.8;

interface Raising {
  options: LetteringOptions;
  tools: Tools;
  job: ClusterJob;
  told: RungRemarks;
  solidOf: (cluster: Cluster) => SolidShape;
}

/**
 * Every cluster's solid, one after the other; undefined where cancelled; over the budget, how many faces all would
 * have.
 */
async function raise(
  clusters: readonly Cluster[],
  { options, tools, job, told, solidOf }: Raising,
  profileOf: (cluster: Cluster) => BuiltProfile,
): Promise<{ solids: DeepCluster[]; plans: ClusterPlan[] } | { faces: number } | undefined> {
  const { step } = job.scale;
  const { crew, progress } = tools.context;
  const profiles = clusters.map(profileOf);
  const rows = planRows(clusters, profiles, job);
  const known = new Map<PlanRow, Named<PolygonMesh>>();
  if (crew) await plansTogether(rows, job, { crew, progress: (share) => progress(share * PLANS) });
  const before = crew ? PLANS : 0;
  const solids: DeepCluster[] = [];
  const plans: ClusterPlan[] = [];
  let made = 0;
  for (const [i, cluster] of clusters.entries()) {
    if (tools.context.cancelled()) return undefined;
    const profile = profiles[i];
    const { key, mesh, flat } = clusterSolid(cluster, profile, { plan: rows[i], job, known });
    plans.push({ cluster, flat });
    told.add(cluster, flat, profile.section, solidOf(cluster));
    made += faceCount(mesh);
    if (made > options.faceBudget) return { faces: Math.round((made / (i + 1)) * clusters.length) };
    solids.push({
      key,
      mesh,
      x: cluster.x * step,
      y: cluster.y * step,
      z: depthRange(profile.depthMm, options.depthAnchor, step).back,
      letters: cluster.members.map((m) => m.letter),
      depths: depthLevels(profile.section, step),
    });
    progress(before + ((1 - before) * (i + 1)) / clusters.length);
    await tools.context.breathe();
  }
  return { solids, plans };
}

/** What faces ask of the sections, grid steps. */
function finer(faces: LetteringFaces, supportMm: number, { emMm, step }: DrawingScale): Finer {
  const inSteps = (mm: number | undefined): number | undefined => (mm ? mm / step : undefined);
  return { longest: inSteps(faceSizeMm(faces, emMm)), support: inSteps(supportMm) };
}

/** Twisted walls are not flat, and letters that turn or grow for themselves come close to each other. */
const mayCross = ({ about, twistDegrees, taperPercent }: TowardsBack): boolean =>
  twistDegrees !== 0 || (about === 'letter' && taperPercent < 0);

/**
 * Turned as a whole, only chords can cross, and finer ones do not; letters that turn for themselves run into each
 * other.
 */
function alongRemarks(
  letters: string,
  { about, twistDegrees }: TowardsBack,
  { toleranceMm }: LetteringOptions,
): Remark[] {
  const isChord = about === 'whole' && twistDegrees !== 0;
  return letters === '' ? [] : [remark('ALONG_CROSSES', { letters, ...(isChord && finerTolerance(toleranceMm)) })];
}

const PLAIN_FACES: LetteringFaces = { kind: 'plain' };

/** Of the em: the longest edge of a twisted wall, so that its four corners stay nearly in one plane. */
const TWISTED_EDGE_EM = 0.04;

/** Where a solid's back and front lie, mm; on the grid. */
function depthRange(deep: number, anchor: LetteringOptions['depthAnchor'], step: number): DepthRange {
  const behind = typeof anchor === 'object' ? anchor.behindMm : SHARE_BEHIND[anchor] * deep;
  const back = 0 - Math.round(behind / step) * step;
  return { back, front: back + deep };
}

/** Of a solid's depth: how much lies behind zero. */
const SHARE_BEHIND = { back: 0, middle: 0.5, front: 1 } as const;

/** What all letters of a lettering share; drawings that are measured before they are built need it too. */
export function drawingScale(
  { extentMm, emMm }: Pick<Layout, 'extentMm' | 'emMm'>,
  {
    solid,
    ownSolids,
    toleranceMm,
    faces,
    bands,
  }: Pick<LetteringOptions, 'solid' | 'ownSolids' | 'toleranceMm' | 'faces' | 'bands'>,
): DrawingScale {
  const solids = [solid, ...ownSolids.values()];
  const most = (of: (shape: SolidShape) => number): number => Math.max(...solids.map(of));
  const step = gridStep(Math.max(extentMm + 2 * most(beyondOutline), most(wholeDepth)));
  const drawnMm = drawnToleranceMm(faces ?? PLAIN_FACES, toleranceMm, emMm);
  return { emMm, step, toleranceMm: drawnMm, bands: bands && bandsInSteps(bands, step) };
}

const wholeDepth = ({ depthMm, swell }: SolidShape): number => depthMm + (swell ? swell.frontMm + swell.backMm : 0);

/** How far a solid may reach beyond its outline, mm. */
function beyondOutline({ shiftMm = 0, side, front, back }: SolidShape): number {
  const { profileReach } = LIMITS;
  const edges = [front, back].map((edge) => (isDrawn(edge) && 'inMm' in edge ? profileReach * edge.inMm : 0));
  return Math.max(0, 0 - shiftMm) + Math.max(...edges) + (side && isDrawn(side) ? profileReach * side.amountMm : 0);
}

const bandsInSteps = ({ outward, wide, count, gap, join }: Bands, step: number): Bands => ({
  join,
  outward: Math.round(outward / step),
  wide: Math.max(1, Math.round(wide / step)),
  count,
  gap: Math.max(1, Math.round(gap / step)),
});
