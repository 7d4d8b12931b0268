import type { Outline } from '../../outline/index.ts';
import { buildCap, type Cap } from '../cap.ts';
import { flatWavefront, type FlatOptions, type FlatWavefront } from '../flat.ts';
import { dissect, type Band, type Partition, type Ring } from '../wavefront/index.ts';
import { CutNodes, type Lines } from './cutNodes.ts';

/** Grid steps that lines give way by when a cut fails. */
const SHIFTS = [0, 5, -7, 13];

/**
 * The flat wavefront of an outline, cut along parallel lines: caps, edges and walls alike, so that every line is one loop of edges round the letter. Undefined where no such cut was
 * found.
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
  const bands: Band[] = [];
  for (const band of flat.partition.bands) {
    const cut = cutBand(band, nodes);
    if (!cut) return undefined;
    bands.push(cut);
  }
  const rings = flat.partition.rings.map((ring) => cutRing(ring, nodes));
  const partition: Partition = { ...flat.partition, ...nodes.columns(), bands, rings };
  const caps = new Map<number, Cap>();
  for (const layer of flat.caps.keys()) {
    const cap = buildCap(partition, layer, flat.outline.letter, nodes.chordsAcross(rings[layer]));
    if (!cap) return undefined;
    caps.set(layer, cap);
  }
  return { ...flat, partition, caps };
}

function cutRing(ring: Ring, nodes: CutNodes): Ring {
  const [from, to, edge]: number[][] = [[], [], []];
  ring.from.forEach((a, i) => {
    const row = [a, ...nodes.between(a, ring.to[i]), ring.to[i]];
    for (let k = 0; k + 1 < row.length; k++) {
      from.push(row[k]);
      to.push(row[k + 1]);
      edge.push(ring.edge[i]);
    }
  });
  return { from: Uint32Array.from(from), to: Uint32Array.from(to), edge: Uint32Array.from(edge) };
}

function cutBand(band: Band, nodes: CutNodes): Band | undefined {
  const start: number[] = [0];
  const corners: number[] = [];
  const edge: number[] = [];
  for (let f = 0; f + 1 < band.start.length; f++) {
    const face = Array.from(band.nodes.subarray(band.start[f], band.start[f + 1]));
    const loop = face.flatMap((a, k) => [a, ...nodes.between(a, face[(k + 1) % face.length])]);
    const parts = loop.length === face.length && nodes.isInOneBand(face) ? [face] : nodes.parted(loop);
    for (const part of parts) {
      const pieces = part === face ? [face.map((_, k) => k)] : dissect(part.map((n) => nodes.x[n]), part.map((n) => nodes.y[n])); // prettier-ignore
      if (!pieces) return undefined;
      for (const piece of pieces) {
        corners.push(...piece.map((k) => part[k]));
        start.push(corners.length);
        edge.push(band.edge[f]);
      }
    }
  }
  return { start: Uint32Array.from(start), nodes: Uint32Array.from(corners), edge: Uint32Array.from(edge) };
}
