import type { Outline } from '../../outline/index.ts';
import { buildCap, type Cap } from '../cap.ts';
import { flatWavefront, type FlatOptions, type FlatWavefront } from '../flat.ts';
import { dividedBand, dividedRing, type Band, type Partition } from '../wavefront/index.ts';
import { CutNodes, type Lines } from './cutNodes.ts';

/** Grid steps that lines give way by when a cut fails. */
const SHIFTS = [0, 5, -7, 13];

/**
 * The flat wavefront of an outline, cut along parallel lines: caps, edges and walls alike, so that every line is one
 * loop of edges round the letter. Undefined where no such cut was found.
 */
export function bandsFlat(outline: Outline, options: FlatOptions, lines: Lines): FlatWavefront | undefined {
  const flat = flatWavefront(outline, options);
  if (flat.rung.kind === 'given-up') return undefined;
  for (const shift of SHIFTS) {
    const cut = cutFlat(flat, { ...lines, at: lines.at.map((at) => at + shift) });
    if (cut) return cut;
  }
  return undefined;
}

function cutFlat(flat: FlatWavefront, lines: Lines): FlatWavefront | undefined {
  const nodes = new CutNodes(flat.partition, lines);
  const between = (a: number, b: number): readonly number[] => nodes.between(a, b);
  const bands: Band[] = [];
  for (const band of flat.partition.bands) {
    const cut = dividedBand(band, between, { x: nodes.x, y: nodes.y, parted: (loop) => nodes.parted(loop) });
    if (!cut) return undefined;
    bands.push(cut);
  }
  const rings = flat.partition.rings.map((ring) => dividedRing(ring, between));
  const partition: Partition = { ...flat.partition, ...nodes.columns(), bands, rings };
  const caps = new Map<number, Cap>();
  for (const layer of flat.caps.keys()) {
    const cap = buildCap(partition, layer, flat.outline.letter, { across: nodes.chordsAcross(rings[layer]) });
    if (!cap) return undefined;
    caps.set(layer, cap);
  }
  return { ...flat, partition, caps };
}
