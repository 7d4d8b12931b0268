import { contact, toRings, type Outline } from '../../outline/index.ts';
import { flatWavefront, type FlatOptions, type FlatWavefront } from '../flat.ts';
import { flowCap, type FlowCap } from './flowCap.ts';
import { gridCap } from './gridCap.ts';
import { planFlow, type FlowPlan } from './planFlow.ts';
import { resample } from './resample.ts';
import { slid } from './slid.ts';
import { ringLine, type RingLine } from './ringLine.ts';

export interface FlowFaces {
  /** length of a quad's edge, grid steps */
  size: number;
  /** largest distance of a chord from its curve, grid steps */
  tolerance: number;
  /** distance of a point beside every corner, so that rounding keeps it; grid steps, 0: none */
  support?: number;
}

/** Once more with smaller quads, before plain faces. */
const SMALLER = [1, 0.87];
/** Of the em: what counts as touching. */
const REACH_EM = 1e-7;

const reachOf = ({ em }: FlatOptions): number => Math.max(1, REACH_EM * em);

/**
 * The flat wavefront of an outline whose points were chosen so that caps fill with quads that flow along the strokes,
 * and edges and walls go on from them. `outline` should be much finer than the quads. Undefined where no valid filling
 * was found: then plain faces have to do.
 */
export function flowFlat(outline: Outline, options: FlatOptions, faces: FlowFaces): FlatWavefront | undefined {
  return evenly(outline, options, {
    faces,
    way: {
      withChords: true,
      sizes: SMALLER,
      fill: (p, resampled, { layer, ...rest }) => flowCap(p, resampled, layer, rest),
    },
  });
}

/**
 * The same outline cut evenly, its caps filled with the squares of a grid that all letters share. `origin`: a point of
 * that grid.
 */
export function gridFlat(
  outline: Outline,
  options: FlatOptions,
  { origin, ...faces }: FlowFaces & { origin: { x: number; y: number } },
): FlatWavefront | undefined {
  return evenly(outline, options, {
    faces,
    way: {
      withChords: false,
      sizes: [1],
      fill: (p, resampled, { layer }) =>
        gridCap(p, layer, { size: Math.round(faces.size), origin, letterOfEdge: resampled.letter }),
    },
  });
}

interface Way {
  withChords: boolean;
  /** shares of the asked size to try */
  sizes: readonly number[];
  fill(
    p: FlatWavefront['partition'],
    outline: Outline,
    tools: { layer: number; plan: FlowPlan; vertexOf: Int32Array; size: number; reach: number },
  ): FlowCap | undefined;
}

function evenly(
  outline: Outline,
  options: FlatOptions,
  { faces, way }: { faces: FlowFaces; way: Way },
): FlatWavefront | undefined {
  const inset = options.capInsets[0];
  const dense = flatWavefront(outline, { ...options, layers: inset === 0 ? [] : [inset], capInsets: [inset] });
  if (!isProved(dense)) return undefined;
  const layer = inset < 0 ? 0 : dense.partition.layers.length - 1;
  for (const share of way.sizes) {
    const size = faces.size * share;
    const line = ringLine(dense.partition, layer, size / 2);
    if (!line || line.x.length === 0) return undefined;
    const plan = planFlow(line, {
      ...faces,
      size,
      inset,
      support: faces.support ?? 0,
      reach: reachOf(options),
      withChords: way.withChords,
    });
    const found = attempt(outline, plan, { line, options, faces: { ...faces, size }, way });
    if (found) return found;
  }
  return undefined;
}

const isProved = ({ rung }: FlatWavefront): boolean => rung.kind === 'first-try' || rung.kind === 'jittered';

function attempt(
  outline: Outline,
  plan: FlowPlan,
  { line, options, faces, way }: { line: RingLine; options: FlatOptions; faces: FlowFaces; way: Way },
): FlatWavefront | undefined {
  const inset = Math.abs(options.capInsets[0]);
  const { outline: resampled, vertexOf, slides } = resample(outline, line, plan, { ...faces, inset });
  if (contact(toRings(resampled), 0) === 'crossing') return undefined;
  const flat = flatWavefront(resampled, options);
  if (!isProved(flat)) return undefined;
  let partition = slid(flat.partition, resampled, { slides, inset: options.capInsets[0] });
  const caps = new Map(flat.caps);
  // a layer may have given way by a hair, but never its rank
  const ranks = [0, ...options.layers].sort((a, b) => a - b);
  for (const capInset of new Set(options.capInsets)) {
    const layer = ranks.indexOf(capInset);
    const made = way.fill(partition, resampled, { layer, plan, vertexOf, size: faces.size, reach: reachOf(options) });
    if (!made) return undefined;
    partition = made.partition;
    caps.set(layer, made.cap);
  }
  return { ...flat, partition, caps };
}
