import type { CuttingStep } from '../steps/index.ts';
import {
  ByteCache,
  Memo,
  remark,
  textHash,
  type Carver,
  type CutFault,
  type Named,
  type Stage,
  type StageLog,
  type Remark,
  type RemarkCode,
} from '../base/index.ts';
import { valuesOfStep, type ValuesOfStep } from './stages/refine.ts';
import { bodySurface, carve, INSIDE, prepare, type BodySurface, type Fault, type Prepared } from '../boolean/index.ts';
import { meshCrosses } from '../check/index.ts';
import { assemble, clustersKey, textsOf, type BuiltCluster } from '../lettering/index.ts';
import { aroundBoxes, boxOfPoints, EMPTY_BOX, middleOfBox, transformPoints, type Transform } from '../math/index.ts';
import { faceCount, meshBytes, type PolygonMesh, type Region } from '../mesh/index.ts';
import { CUT_NEARBY_FROM, cutNearby } from './cutNearby.ts';
import type { Cutter } from './cutter.ts';
import { raisedImprint } from './raisedImprint.ts';
import type { ShapedGroup } from './shapeClusters.ts';

/** What a step has made of a piece. */
export interface Cut {
  mesh: PolygonMesh;
  remarks: Remark[];
}

const OPERATIONS = {
  engrave: 'subtract',
  through: 'subtract',
  subtract: 'subtract',
  imprint: 'imprint',
  raise: 'join',
  join: 'join',
  intersect: 'intersect',
} as const;

/** What changes a body only where it is met. */
const NEARBY: ReadonlySet<CuttingStep['operation']> = new Set(['engrave', 'raise', 'join', 'subtract']);

/** Of both sides of the volume identity, against the cutter: more is no rounding. */
const VOLUME_ERROR = 1e-6;

type LoadCarver = (() => Promise<Carver>) | undefined;

/** Bodies that stay ready to be cut: while words or places change only what cuts is brought in anew. */
const PREPARED = 2;
const FAULT_BYTES = 100;

interface CutInputs {
  body: Named<readonly BuiltCluster[]>;
  step: ValuesOfStep<CuttingStep>;
  cutter: Named<Cutter>;
  /** whether faces that cross are looked for */
  looks: boolean;
}

interface CutTools {
  carver: Carver;
  whole(): Prepared | Fault;
  /** undefined where the body is small */
  surface(): BodySurface | undefined;
}

/** A piece cut by another one. */
const CUT: Stage<CutInputs, CutTools, Cut | Fault> = {
  name: 'cut',
  async make({ step: values, cutter: { of: cutter } }, { carver, whole, surface }) {
    const step: CuttingStep = { ...values, id: '', on: true };
    const body = { whole, surface: NEARBY.has(step.operation) ? surface() : undefined };
    const cut = await withRoomForRims(step, cutter, (one) => firstSound(body, step, one, { carver }));
    return cut && 'mesh' in cut ? { ...cut, remarks: [...cut.remarks, ...cutter.clipped()] } : cut;
  },
  bytesOf: (cut) => ('mesh' in cut ? meshBytes(cut.mesh) : FAULT_BYTES),
};

/** What was cut, and bodies that are ready for it. */
export class Cuts {
  readonly #done: Memo<CutInputs, CutTools, Cut | Fault>;
  readonly #bodies = new Map<string, Prepared>();
  readonly #surfaces = new ByteCache<{ surface: BodySurface | undefined }>(PREPARED);

  constructor(bytes: number, log?: StageLog) {
    this.#done = new Memo(CUT, new ByteCache(bytes), log);
  }

  /**
   * All of a piece cut by another one, as one cluster; as it was, and told why, where that can't be. Undefined when
   * cancelled.
   */
  async cut(
    clusters: readonly BuiltCluster[],
    step: CuttingStep,
    cutter: Cutter,
    { loadCarver }: { loadCarver?: LoadCarver },
  ): Promise<ShapedGroup | undefined> {
    const carver = await loadCarver?.();
    if (!carver) throw new Error('nothing to cut with was handed in');
    const body = { key: clustersKey(clusters), of: clusters };
    const made = await this.#done.get(
      { body, step: valuesOfStep(step), cutter: { key: cutter.key, of: cutter }, looks: cutter.looks },
      {
        carver,
        whole: () => this.#prepared(body.key, clusters, carver),
        surface: () => this.#surface(body.key, clusters),
      },
    );
    if (!made) return undefined;
    const { key, of: cut } = made;
    if ('why' in cut) {
      const why = reasonOf(cut, cutter);
      return {
        clusters: [...clusters],
        remarks: [remark('CUT_LEFT_OUT', { stepId: step.id, why, because: becauseOf(cutter, TANGLED) })],
      };
    }
    const letters = 1 + Math.max(-1, ...clusters.flatMap((cluster) => cluster.letters));
    const remarks = cut.remarks.map(
      (one) =>
        ({
          ...one,
          params: {
            ...one.params,
            stepId: step.id,
            ...(one.code === 'CUT_APART' && { because: becauseOf(cutter, ASIDE) }),
          },
        }) as Remark,
    );
    return { clusters: [asCluster(cut.mesh, textHash(key), letters)], remarks };
  }

  /** Undefined where the body is small, or a part of it says nothing of the whole. */
  #surface(key: string, clusters: readonly BuiltCluster[]): BodySurface | undefined {
    if (clusters.reduce((sum, { mesh }) => sum + faceCount(mesh), 0) < CUT_NEARBY_FROM) return undefined;
    const made = this.#surfaces.get(key) ?? { surface: bodySurface(assemble(clusters)) };
    this.#surfaces.set(key, made, 1);
    return made.surface;
  }

  #prepared(key: string, clusters: readonly BuiltCluster[], carver: Carver): Prepared | Fault {
    const known = this.#bodies.get(key);
    const made = known ?? prepare(carver, assemble(clusters));
    if ('why' in made) return made;
    // the one used last is the last to go
    this.#bodies.delete(key);
    this.#bodies.set(key, made);
    for (const [oldest, body] of this.#bodies) {
      if (this.#bodies.size <= PREPARED) break;
      body.free();
      this.#bodies.delete(oldest);
    }
    return made;
  }
}

/**
 * As it is asked for; where faces cross after that, with what is too short for 32 bit collapsed, then by what lies on
 * the smooth surface, then larger by a hair. Undefined when cancelled. The body is asked for each time: while the last
 * cutter is built another one may have taken its place.
 */
async function firstSound(
  { whole, surface }: PreparedBody,
  step: CuttingStep,
  cutter: Cutter,
  { carver }: { carver: Carver },
): Promise<Cut | Fault | undefined> {
  const attempt = (one: Cutter, simplifies: boolean, isGrown = false): Cut | Fault => {
    const plain = one.clusters.map((cluster) => placed(assemble([cluster]), one.transform));
    const cutters = isGrown ? grown(plain) : plain;
    const cut = (prepared: Prepared): Cut | Fault => carved(prepared, step, one, { carver, cutters, simplifies });
    const nearby = surface && cutNearby(surface, { cutters, carver, cut });
    if (nearby) return nearby;
    const prepared = whole();
    return 'why' in prepared ? prepared : cut(prepared);
  };
  // what runs through itself all over is mended by nothing, and takes a minute to fail
  if (cutter.isStrained && crossesItself(cutter)) return { why: 'crossed' };
  const first = attempt(cutter, false);
  if ('mesh' in first ? isExact(first) : !MENDED.includes(first.why)) return first;
  const second = attempt(cutter, true);
  if ('mesh' in second && isExact(second)) return second;
  const smoother = await cutter.smoother?.();
  if (smoother && !smoother.ok) return undefined;
  const third = smoother?.value && attempt(smoother.value, true);
  const made = [third, first, second].filter((one): one is Cut => one !== undefined && 'mesh' in one);
  if (made.length > 0) return made.find(isExact) ?? made[0];
  const last = attempt(cutter, true, true);
  return 'mesh' in last ? last : first;
}

/** What is told of letters that meet nothing, and of those that run into themselves. */
const ASIDE: readonly RemarkCode[] = ['ONTO_MISSES', 'ONTO_BORDER', 'ONTO_OVERHANGS', 'ONTO_FLOATS'];
const TANGLED: readonly RemarkCode[] = [
  'LETTERS_CROSS',
  'ONTO_OVERFULL',
  'ONTO_FOLDS',
  'ONTO_OVERHANGS',
  'ONTO_BORDER',
];

/** The first of some kinds, in their order. */
const becauseOf = ({ told }: Cutter, codes: readonly RemarkCode[]): Remark | undefined =>
  codes.flatMap((one) => told.filter(({ code }) => code === one)).at(0);

/** What crosses in the end is the cutter's doing only where that crosses itself. */
const reasonOf = ({ why }: Fault, cutter: Cutter): CutFault =>
  why === 'crossed' && !crossesItself(cutter) ? 'result' : why;

const crossesItself = ({ clusters }: Cutter): boolean => clusters.some(({ mesh }) => meshCrosses(mesh));

/** Each narrower rim that is tried is so much of the one before; below a share of what was asked for there is none. */
const NARROWER = 0.7;
const LEAST_RIM = 0.05;

/**
 * A cut whose rims inside the strokes are as wide as leaves the strokes deep enough to cut, and lets nothing cross;
 * told where that is less than was asked for.
 */
async function withRoomForRims(
  { id: stepId, softMm: askedMm }: CuttingStep,
  cutter: Cutter,
  attempt: (cutter: Cutter) => Promise<Cut | Fault | undefined>,
): Promise<Cut | Fault | undefined> {
  const asked = await attempt(cutter);
  const { withRim } = cutter;
  if (!withRim || !asked || !needsRoom(asked)) return asked;
  const narrowed = async (takenMm: number): Promise<Cut | Fault | undefined> => {
    const narrower = await withRim(takenMm);
    return narrower.ok && narrower.value ? attempt(narrower.value) : undefined;
  };
  // what is not well without any rim is no matter of rims
  const plain = await narrowed(0);
  if (!plain || needsRoom(plain)) return plain && asked;
  for (let share = NARROWER; ; share *= NARROWER) {
    const takenMm = share < LEAST_RIM ? 0 : share * askedMm;
    const cut = takenMm === 0 ? plain : await narrowed(takenMm);
    if (!cut) return undefined;
    if ('mesh' in cut && !needsRoom(cut))
      return { ...cut, remarks: [...cut.remarks, remark('CUT_RIM_NARROWED', { stepId, askedMm, takenMm })] };
  }
}

/** A rim that is deeper than all of a recess leaves nothing of it under the surface. */
const needsRoom = (cut: Cut | Fault): boolean =>
  'mesh' in cut ? cut.remarks.some(({ code }) => code === 'CUT_APART') : MENDED.includes(cut.why);

interface PreparedBody {
  whole: () => Prepared | Fault;
  /** of a large body, for what only cuts a part of it */
  surface: BodySurface | undefined;
}

const isExact = ({ remarks }: Cut): boolean => remarks.every(({ code }) => code !== 'CUT_ROUNDS');

/** Of the cut's edges: a ring beside fewer of them is told. */
const RING_SHARE = 0.95;

/** What another attempt may mend. */
const MENDED: readonly CutFault[] = ['crossed', 'volume', 'cutter', 'kernel'];

function carved(
  body: Prepared,
  step: CuttingStep,
  cutter: Cutter,
  { carver, cutters, simplifies }: { carver: Carver; cutters: PolygonMesh[]; simplifies: boolean },
): Cut | Fault {
  const done = carve(carver, body, {
    simplifies,
    looks: cutter.looks,
    cutters,
    operation: OPERATIONS[step.operation],
    regionOf: (by, region) =>
      by === undefined
        ? region
        : cutRegion(by === INSIDE ? { ...region, part: 'front' } : region, step, {
            piece: cutter.pieceId,
            letter: by === INSIDE ? undefined : cutter.letters[region.letter]?.id,
          }),
    dropsLoose: step.loose === 'drop',
    cleanMm: step.clean ? cutter.cleanMm : 0,
    ringMm: step.ringMm,
  });
  if ('why' in done) return done;
  if (!(done.volumeError <= VOLUME_ERROR)) return { why: 'volume' };
  if (done.crosses === 'exactly') return { why: 'crossed' };
  const stepId = step.id;
  const apart = step.operation === 'intersect' ? [] : done.apart;
  const letters = apart.flatMap((i) => cutter.clusters[i].letters);
  const remarks: Remark[] = done.crosses ? [remark('CUT_ROUNDS', { stepId })] : [];
  if (apart.length > 0)
    remarks.push(
      remark('CUT_APART', {
        stepId,
        letters: textsOf(letters, cutter.letters),
        all: apart.length === cutter.clusters.length,
        ...(done.inside.length === apart.length && { isInside: true }),
      }),
    );
  if (done.loose > 0) remarks.push(remark('CUT_LOOSE', { stepId, parts: done.loose, kept: step.loose === 'keep' }));
  if (done.ring && done.ring.quads < RING_SHARE * done.ring.edges)
    remarks.push(remark('CUT_RING', { stepId, ...done.ring }));
  if (step.operation !== 'imprint' || step.raiseMm === 0) return { mesh: done.mesh, remarks };
  const { mesh, raiseMm: takenMm, leanPercent } = raisedImprint(done.mesh, step, cutter.pieceId);
  if (takenMm !== step.raiseMm || leanPercent !== step.leanPercent)
    remarks.push(remark('CUT_RAISED_LESS', { stepId, askedMm: step.raiseMm, takenMm, leanPercent }));
  return { mesh, remarks };
}

/** Of the diagonal: less than anybody sees, and fifty steps of a 32-bit float. */
const HAIR = 3e-6;

/**
 * What cuts, larger by a hair about its middle: flush with a border of the body it would leave parts that hang together
 * by an edge alone, which no closed solid can.
 */
function grown(cutters: readonly PolygonMesh[]): PolygonMesh[] {
  const middle = middleOfBox(cutters.map(({ positions }) => boxOfPoints(positions)).reduce(aroundBoxes, EMPTY_BOX));
  return cutters.map((mesh) => ({
    ...mesh,
    positions: mesh.positions.map((value, i) => value + HAIR * (value - middle[i % 3])),
  }));
}

const placed = (mesh: PolygonMesh, transform: Transform): PolygonMesh => ({
  ...mesh,
  uv: undefined,
  positions: transformPoints(transform, mesh.positions),
});

/** What the faces of something that cuts are in what it has cut; they look as that other piece says. */
function cutRegion(
  { part, contour }: Region,
  { operation }: CuttingStep,
  { piece, letter }: { piece: string; letter: number | undefined },
): Region {
  const named = { letter: -1, contour, of: piece, ...(letter !== undefined && { ofLetter: letter }) } as const;
  if (operation === 'engrave' || operation === 'through') return { ...named, part: SUNK[part] ?? 'recess' };
  if (operation === 'subtract') return { ...named, part: 'recess' };
  if (operation === 'raise') return { ...named, part: part === 'backEdge' ? 'foot' : part };
  return { ...named, part };
}

const SUNK: Readonly<Partial<Record<Region['part'], Region['part']>>> = {
  back: 'floor',
  backEdge: 'foot',
  frontEdge: 'lip',
  front: 'lip',
};

/** A cluster of all that was cut. */
const asCluster = (mesh: PolygonMesh, key: string, letters: number): BuiltCluster => ({
  key,
  mesh,
  x: 0,
  y: 0,
  z: 0,
  letters: Array.from({ length: letters }, (_, i) => i),
});
