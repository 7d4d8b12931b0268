import {
  adjacency,
  cosineBetween,
  CRISP_COSINE,
  faceAreaVectors,
  MeshBuilder,
  type Part,
  type PolygonMesh,
} from '../mesh/index.ts';
import { doubledArea, nextVertices, toRings, type Outline } from '../outline/index.ts';
import type { Cap } from './cap.ts';
import type { FlatWavefront } from './flat.ts';
import { sectionCosines, sectionLayers, type Section } from './section/index.ts';
import { unroll } from './unroll.ts';
import type { Partition } from './wavefront/index.ts';

export interface LiftOptions {
  section: Section;
  /** grid step, mm */
  step: number;
  /** with texture coordinates: a fifth more work */
  uv?: boolean;
}

/**
 * Lifts a proved plan to a closed solid: every piece of the section carries the triangles and quads of its band at its
 * own depths, walls are quads, caps close both ends. Vertices are (node, section vertex) on layers and (node, section
 * piece) between, so that faces meet without searching. Since the plan is a triangulation and the section is simple the
 * skin can't cross itself (docs/geometry.md). Regions hold the letter's index in its cluster.
 */
export function lift(flat: FlatWavefront, options: LiftOptions): PolygonMesh {
  return new Lifter(flat, options).run();
}

/** A flat sheet of the outline, or of its offset by `inset`, at z = 0, facing up. */
export function liftSheet(flat: FlatWavefront, step: number, inset = 0): PolygonMesh {
  const builder = new MeshBuilder();
  const p = flat.partition;
  // a ladder that ended without layers leaves the outline itself
  const cap = flat.caps.get(inset < 0 ? 0 : inset > 0 ? p.layers.length - 1 : p.layers.indexOf(0));
  const vertex = new Int32Array(p.x.length).fill(-1);
  if (cap) {
    addCap(builder, cap, {
      part: 'front',
      reverse: false,
      vertexOf: (node) => {
        if (vertex[node] < 0) vertex[node] = builder.vertex(p.x[node] * step, p.y[node] * step, 0);
        return vertex[node];
      },
    });
  }
  const sheet = builder.finish();
  const { faceVertices, positions } = sheet;
  return {
    ...sheet,
    uv: Float32Array.from({ length: 2 * faceVertices.length }, (_, i) => positions[3 * faceVertices[i >> 1] + (i & 1)]),
  };
}

function addCap(
  builder: MeshBuilder,
  cap: Cap,
  { part, reverse, vertexOf }: { part: Part; reverse: boolean; vertexOf: (node: number) => number },
): void {
  for (let f = 0; f + 1 < cap.start.length; f++) {
    const first = cap.start[f];
    const last = cap.start[f + 1] - 1;
    if (reverse) for (let c = last; c >= first; c--) builder.corner(vertexOf(cap.nodes[c]));
    else for (let c = first; c <= last; c++) builder.corner(vertexOf(cap.nodes[c]));
    builder.endFace(builder.region(part, cap.letter[f], -1));
  }
}

class Lifter {
  readonly #p: Partition;
  readonly #flat: FlatWavefront;
  readonly #section: Section;
  readonly #step: number;
  readonly #isUnrolled: boolean;
  readonly #builder = new MeshBuilder();
  /** layer of each section vertex */
  readonly #layerOf: number[];
  readonly #onVertex: Int32Array[];
  /** per face: section piece (-1 front, pieces.length back) and outline edge (-1 on caps) */
  readonly #facePiece: number[] = [];
  readonly #faceEdge: number[] = [];
  readonly #ringOfEdge: Int32Array;
  readonly #isCounter: boolean[];
  /** the outline's own layer */
  readonly #zero: number;

  constructor(flat: FlatWavefront, options: LiftOptions) {
    this.#flat = flat;
    this.#p = flat.partition;
    this.#section = options.section;
    this.#step = options.step;
    this.#isUnrolled = options.uv ?? false;
    const ranks = [0, ...sectionLayers(options.section)].sort((a, b) => a - b);
    this.#zero = ranks.indexOf(0);
    this.#layerOf = options.section.inset.map((inset) => ranks.indexOf(inset));
    this.#onVertex = options.section.inset.map(() => new Int32Array(this.#p.x.length).fill(-1));
    const outline = flat.outline;
    this.#ringOfEdge = ringOfEdges(outline);
    this.#isCounter = toRings(outline).map((ring) => doubledArea(ring) < 0);
  }

  run(): PolygonMesh {
    const last = this.#section.inset.length - 1;
    this.#cap(0, { part: 'front', reverse: false, piece: -1 });
    for (let piece = 0; piece < last; piece++) {
      const from = this.#layerOf[piece];
      const to = this.#layerOf[piece + 1];
      if (from === to) this.#wall(piece, from);
      else this.#slope(piece, Math.min(from, to), from > to);
    }
    this.#cap(last, { part: 'back', reverse: true, piece: last });
    const mesh = this.#builder.finish();
    this.#markSharp(mesh);
    const { outline } = this.#flat;
    const [section, step] = [this.#section, this.#step];
    if (!this.#isUnrolled) return mesh;
    return { ...mesh, uv: unroll({ mesh, piece: this.#facePiece, edge: this.#faceEdge, outline, section, step }) };
  }

  #cap(sectionVertex: number, { part, reverse, piece }: { part: Part; reverse: boolean; piece: number }): void {
    const cap = this.#flat.caps.get(this.#layerOf[sectionVertex]);
    if (!cap) return;
    addCap(this.#builder, cap, { part, reverse, vertexOf: (node) => this.#ringVertex(node, sectionVertex) });
    for (let f = 0; f + 1 < cap.start.length; f++) {
      this.#facePiece.push(piece);
      this.#faceEdge.push(-1);
    }
  }

  #ringVertex(node: number, sectionVertex: number): number {
    const table = this.#onVertex[sectionVertex];
    if (table[node] < 0) {
      const { x, y } = this.#p;
      table[node] = this.#builder.vertex(
        x[node] * this.#step,
        y[node] * this.#step,
        this.#section.z[sectionVertex] * this.#step,
      );
    }
    return table[node];
  }

  /** Rows of the region table by outline edge, for one piece of the section. */
  #regionsOf(piece: number): Int32Array {
    const { letter } = this.#flat.outline;
    const rows = new Int32Array(letter.length);
    for (let edge = 0; edge < rows.length; edge++) {
      const ring = this.#ringOfEdge[edge];
      const same = edge > 0 && this.#ringOfEdge[edge - 1] === ring && letter[edge - 1] === letter[edge];
      rows[edge] = same ? rows[edge - 1] : this.#builder.region(this.#partOf(piece, ring), letter[edge], ring);
    }
    return rows;
  }

  /** Front and back are parts of a piece only where they swell. */
  #partOf(piece: number, ring: number): Part {
    const part = this.#section.part[piece];
    if (part !== 'wall') return part;
    return this.#isCounter[ring] ? 'innerWall' : 'outerWall';
  }

  /** The inset stays: one quad an outline edge. The section runs from front to back. */
  #wall(piece: number, layer: number): void {
    const ring = this.#p.rings[layer];
    const regions = this.#regionsOf(piece);
    const builder = this.#builder;
    for (let i = 0; i < ring.from.length; i++) {
      const a = ring.from[i];
      const b = ring.to[i];
      builder.corner(this.#ringVertex(a, piece));
      builder.corner(this.#ringVertex(a, piece + 1));
      builder.corner(this.#ringVertex(b, piece + 1));
      builder.corner(this.#ringVertex(b, piece));
      this.#endFace(piece, ring.edge[i], regions);
    }
  }

  #endFace(piece: number, edge: number, regions: Int32Array): void {
    this.#builder.endFace(regions[edge]);
    this.#facePiece.push(piece);
    this.#faceEdge.push(edge);
  }

  /**
   * The band between `inner` and `inner + 1`; seen from the front where the inset falls along the section, from behind
   * where it rises.
   */
  #slope(piece: number, bandIndex: number, falls: boolean): void {
    const { start, nodes, edge } = this.#p.bands[bandIndex];
    const regions = this.#regionsOf(piece);
    const vertices = this.#bandVertices(piece, nodes);
    const corners: number[] = [];
    const turning = this.#turningLayer(piece);
    for (let f = 0; f + 1 < start.length; f++) {
      if (turning !== undefined && this.#liesOn(turning, nodes, start[f], start[f + 1])) continue;
      corners.length = 0;
      for (let c = start[f]; c < start[f + 1]; c++) corners.push(vertices[nodes[c]]);
      if (!falls) corners.reverse();
      this.#slopeFace(corners, piece, edge[f], regions);
    }
  }

  /** Of a piece's two ends the one farther from the outline, and the section's vertex beyond it. */
  #farEnd(piece: number): { far: number; near: number; beyond: number } {
    const layer = this.#layerOf;
    const distance = (vertex: number): number => Math.abs(layer[vertex] - this.#zero);
    return distance(piece + 1) > distance(piece)
      ? { far: piece + 1, near: piece, beyond: piece + 2 }
      : { far: piece, near: piece + 1, beyond: piece - 1 };
  }

  /** The layer at which the section turns back behind a piece, if it does at its far end. */
  #turningLayer(piece: number): number | undefined {
    const layer = this.#layerOf;
    const { far, near, beyond } = this.#farEnd(piece);
    if (beyond < 0 || beyond >= layer.length) return undefined;
    const turns = Math.sign(layer[beyond] - layer[far]) === Math.sign(layer[near] - layer[far]);
    return turns ? layer[far] : undefined;
  }

  /**
   * A face whose nodes all lie on the layer at which the section turns is the same above and below: neither goes in,
   * and their neighbours meet.
   */
  #liesOn(layer: number, nodes: Uint32Array, from: number, to: number): boolean {
    for (let c = from; c < to; c++) if (this.#p.layer[nodes[c]] !== layer) return false;
    return true;
  }

  /** A quad that depth has folded, though its plan is convex, goes in as the two triangles that face one way. */
  #slopeFace(corners: readonly number[], piece: number, edge: number, regions: Int32Array): void {
    const start = corners.length === 4 ? this.#builder.foldedFrom(corners) : undefined;
    if (start === undefined) {
      for (const vertex of corners) this.#builder.corner(vertex);
      this.#endFace(piece, edge, regions);
      return;
    }
    for (const triangle of [
      [0, 1, 2],
      [0, 2, 3],
    ]) {
      for (const k of triangle) this.#builder.corner(corners[(start + k) % 4]);
      this.#endFace(piece, edge, regions);
    }
  }

  /** Mesh vertex of every node that a band uses, by node. */
  #bandVertices(piece: number, nodes: Uint32Array): Int32Array {
    const { layer, x, y } = this.#p;
    const [from, to] = [this.#layerOf[piece], this.#layerOf[piece + 1]];
    const depthOf = this.#depthsBetween(piece);
    const vertices = new Int32Array(x.length).fill(-1);
    for (let c = 0; c < nodes.length; c++) {
      const node = nodes[c];
      if (vertices[node] >= 0) continue;
      if (layer[node] === from) vertices[node] = this.#ringVertex(node, piece);
      else if (layer[node] === to) vertices[node] = this.#ringVertex(node, piece + 1);
      else
        vertices[node] = this.#builder.vertex(x[node] * this.#step, y[node] * this.#step, depthOf(node) * this.#step);
    }
    return vertices;
  }

  /** Depth of a node between the two layers of a piece, grid steps. */
  #depthsBetween(piece: number): (node: number) => number {
    const { inset, layers } = this.#p;
    const i0 = layers[this.#layerOf[piece]];
    const i1 = layers[this.#layerOf[piece + 1]];
    const z0 = this.#section.z[piece];
    const z1 = this.#section.z[piece + 1];
    const { far, near } = this.#farEnd(piece);
    const [farZ, nearZ] = [this.#section.z[far], this.#section.z[near]];
    const touches =
      Math.abs(farZ - nearZ) > 1 && (this.#turningLayer(piece) !== undefined || this.#liesUnderCap(piece));
    return (node) => {
      const rounded = Math.round(z0 + ((inset[node] - i0) / (i1 - i0)) * (z1 - z0));
      // never rounded onto the near layer's depth: where front and back edge meet there, their ridges would touch
      if (rounded === nearZ) return nearZ + Math.sign(farZ - nearZ);
      // nor onto the far layer's where the section turns back there, or runs in under a cap: what lies above and below
      // it would touch
      return rounded === farZ && touches ? farZ + Math.sign(nearZ - farZ) : rounded;
    };
  }

  /** A piece that ends at a rim and comes from inside of it. */
  #liesUnderCap(piece: number): boolean {
    const { far, near, beyond } = this.#farEnd(piece);
    const isRim = beyond < 0 || beyond >= this.#layerOf.length;
    return isRim && this.#layerOf[near] > this.#layerOf[far];
  }

  /**
   * Between pieces of the section the section's own angle decides; between neighbouring outline edges the drawing's
   * corners do, so that coarse curves still shade smoothly; elsewhere the angle of the two faces.
   */
  #markSharp(mesh: PolygonMesh): void {
    const { twin, face } = adjacency(mesh);
    const areas = faceAreaVectors(mesh);
    const cosines = sectionCosines(this.#section);
    const next = nextVertices(this.#flat.outline);
    const corner = this.#flat.outline.corner;
    const carriesFan = this.#fanSources();
    const follows = (d: number, e: number): boolean => next[d] === e && carriesFan[d] === 0 && carriesFan[e] === 0;
    for (let c = 0; c < twin.length; c++) {
      const other = twin[c];
      if (other < 0) mesh.sharp[c] = 1;
      if (other < c) continue;
      const f = face[c];
      const g = face[other];
      const [p, q] = [this.#facePiece[f], this.#facePiece[g]];
      const [d, e] = [this.#faceEdge[f], this.#faceEdge[g]];
      let sharp: boolean;
      if (p !== q) sharp = cosines[Math.max(p, q)] < CRISP_COSINE;
      else if (d < 0 || e < 0 || d === e)
        sharp = d >= 0 && carriesFan[d] === 1 && cosineBetween(areas, f, g, 1) < CRISP_COSINE;
      else if (follows(d, e)) sharp = corner[e] === 1;
      else if (follows(e, d)) sharp = corner[d] === 1;
      else sharp = cosineBetween(areas, f, g, 1) < CRISP_COSINE;
      mesh.sharp[c] = mesh.sharp[other] = sharp ? 1 : 0;
    }
  }

  /**
   * Outline edges that may also carry the fan of a corner, inward's or outward's; their faces are told apart by angle
   * alone.
   */
  #fanSources(): Uint8Array {
    const { x, y, corner } = this.#flat.outline;
    const next = nextVertices(this.#flat.outline);
    const hasOutside = this.#zero > 0;
    const found = new Uint8Array(x.length);
    for (let i = 0; i < x.length; i++) {
      const v = next[i];
      if (!corner[v]) continue;
      const w = next[v];
      const ux = x[v] - x[i];
      const uy = y[v] - y[i];
      const vx = x[w] - x[v];
      const vy = y[w] - y[v];
      const turn = ux * vy - uy * vx;
      if (turn <= 0) found[v] = 1;
      else if (hasOutside) found[i] = 1;
    }
    return found;
  }
}

function ringOfEdges(outline: Outline): Int32Array {
  const ring = new Int32Array(outline.x.length);
  for (let r = 0; r + 1 < outline.ringStart.length; r++) ring.fill(r, outline.ringStart[r], outline.ringStart[r + 1]);
  return ring;
}
