import { seededRandom } from '../base/index.ts';
import { fromRings, openedOutline, OPENING_EM, type Outline } from '../outline/index.ts';
import { buildCap, type Cap } from './cap.ts';
import { planBothSides, SMALLEST_LAYER, type Corners, type Partition } from './wavefront/index.ts';

/** How far down the ladder a flat wavefront had to go before it could be proved. */
export type Rung =
  | { kind: 'first-try' }
  | { kind: 'jittered'; byGridSteps: number }
  | { kind: 'opened'; byGridSteps: number }
  | { kind: 'narrowed'; share: number }
  | { kind: 'given-up' };

/** The proved plan of a cluster for one list of layers, before any depth: what is cached when only depths change. */
export interface FlatWavefront {
  outline: Outline;
  partition: Partition;
  /** filled rings of the layers asked for as caps, by layer index */
  caps: ReadonlyMap<number, Cap>;
  rung: Rung;
}

export interface FlatOptions {
  /** insets of the section, ascending, without the outline's own 0, grid steps */
  layers: readonly number[];
  corners?: Corners;
  /** insets at which the section starts and ends */
  capInsets: readonly number[];
  /** grid steps an em */
  em: number;
  seed: number;
  /** asked now and then; true ends the work by throwing Stopped */
  cancelled?: () => boolean;
}

const JITTERS_EM = [1e-6, 5e-6, 1.5e-5];
const NARROWER = [0.75, 0.5, 0.25, 0.05];

/**
 * The flat wavefront with its ladder: as it is; with source points moved by a hair (the outline itself stays exact);
 * with touching parts opened; with narrower edges; with none. Each rung is proved like the first and told. 'given-up'
 * comes with an empty outline.
 */
export function flatWavefront(outline: Outline, options: FlatOptions): FlatWavefront {
  const plain = attempt(outline, options, undefined);
  if (plain) return { ...plain, rung: { kind: 'first-try' } };
  for (const share of JITTERS_EM) {
    const by = share * options.em;
    const jittered = attempt(outline, options, jitter(outline, by, options.seed));
    if (jittered) return { ...jittered, rung: { kind: 'jittered', byGridSteps: by } };
  }
  const opened = openedOutline(outline, options.em);
  const parted = opened.x.length > 0 ? attempt(opened, options, undefined) : undefined;
  if (parted) return { ...parted, rung: { kind: 'opened', byGridSteps: OPENING_EM * options.em } };
  for (const share of NARROWER) {
    const found = attempt(outline, narrower(options, share), undefined);
    if (found) return { ...found, rung: { kind: 'narrowed', share } };
  }
  const bare = attempt(outline, { ...options, layers: [], capInsets: [0] }, undefined);
  if (bare) return { ...bare, rung: { kind: 'narrowed', share: 0 } };
  const nothing: Outline = fromRings([]);
  return { outline: nothing, partition: emptyPartition(options.layers), caps: new Map(), rung: { kind: 'given-up' } };
}

type FlatAttempt = Omit<FlatWavefront, 'rung'>;

/** Grid steps that a layer gives way by: past what the wavefront takes for the same moment. */
const ASIDE = 3;
const ASIDES = 4;

/**
 * Where a front closes up exactly at a layer a ridge lies on it, and a section that turns back there would touch itself
 * along it: that layer goes a hair further, where the ridge is over.
 */
function attempt(outline: Outline, options: FlatOptions, jittered: Jittered | undefined): FlatAttempt | undefined {
  let found = once(outline, options, jittered);
  let asked = options;
  for (let i = 0; i < ASIDES && found; i++) {
    const { layers, closedUp } = found.partition;
    const next = aside(asked, new Set(closedUp.map((layer) => layers[layer]).filter((inset) => inset !== 0)));
    if (!next) return found;
    asked = next;
    found = once(outline, asked, jittered) ?? found;
  }
  return found;
}

/** undefined where none has to, or others lie too close. */
function aside(options: FlatOptions, closedUp: ReadonlySet<number>): FlatOptions | undefined {
  if (closedUp.size === 0) return undefined;
  const moved = (inset: number): number => (closedUp.has(inset) ? inset + Math.sign(inset) * ASIDE : inset);
  const layers = options.layers.map(moved);
  const all = [...layers, 0].sort((a, b) => a - b);
  if (all.some((inset, i) => i > 0 && inset - all[i - 1] < SMALLEST_LAYER)) return undefined;
  return { ...options, layers, capInsets: options.capInsets.map(moved) };
}

interface Jittered {
  x: Float64Array;
  y: Float64Array;
}

function once(outline: Outline, options: FlatOptions, jittered: Jittered | undefined): FlatAttempt | undefined {
  const { layers, corners, cancelled } = options;
  const result = planBothSides(outline, { layers, jittered, corners, cancelled });
  if (!result.ok) return undefined;
  const caps = new Map<number, Cap>();
  // the innermost and the outermost ring are filled as part of the proof, wanted or not; the outline itself was proved
  // before
  const indices = [
    ...(result.partition.layers[0] < 0 ? [0] : []),
    result.partition.rings.length - 1,
    ...options.capInsets.map((inset) => result.partition.layers.indexOf(inset)),
  ];
  for (const layer of new Set(indices)) {
    const cap = buildCap(result.partition, layer, outline.letter);
    if (!cap) return undefined;
    caps.set(layer, cap);
  }
  return { outline, partition: result.partition, caps };
}

function jitter(outline: Outline, by: number, seed: number): Jittered {
  const random = seededRandom(seed);
  const moved = (value: number): number => value + (2 * random() - 1) * by;
  return { x: outline.x.map(moved), y: outline.y.map(moved) };
}

/** The same number of layers, so that the section still fits, drawn closer together. */
function narrower(options: FlatOptions, share: number): FlatOptions {
  const scaled = new Map<number, number>();
  const outward = options.layers.filter((inset) => inset < 0).length;
  options.layers.forEach((inset, i) => {
    const rank = i < outward ? i - outward : i - outward + 1;
    const least = SMALLEST_LAYER * Math.abs(rank);
    scaled.set(inset, Math.sign(inset) * Math.max(Math.round(Math.abs(inset) * share), least));
  });
  return {
    ...options,
    layers: [...scaled.values()],
    capInsets: options.capInsets.map((inset) => scaled.get(inset) ?? inset),
  };
}

function emptyPartition(layers: readonly number[]): Partition {
  const none = new Uint32Array(0);
  const insets = Float64Array.from([0, ...layers]).sort();
  return {
    x: new Float64Array(0),
    y: new Float64Array(0),
    inset: new Float64Array(0),
    layer: new Int32Array(0),
    layers: insets,
    bands: Array.from(layers, () => ({ start: new Uint32Array(1), nodes: none, edge: none })),
    rings: Array.from(insets, () => ({ from: none, to: none, edge: none })),
    closedUp: [],
  };
}

export function flatBytes(flat: FlatWavefront): number {
  const p = flat.partition;
  const bands = p.bands.reduce((sum, b) => sum + b.nodes.byteLength + b.start.byteLength + b.edge.byteLength, 0);
  const rings = p.rings.reduce((sum, r) => sum + 3 * r.from.byteLength, 0);
  return p.x.length * 32 + bands + rings + flat.outline.x.length * 45 + 1000;
}
