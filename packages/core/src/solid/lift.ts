import { adjacency, faceAreaVectors, MeshBuilder, type Part, type PolygonMesh } from '../mesh/index.ts';
import { doubledArea, nextVertices, toRings, type Outline } from '../outline/index.ts';
import type { Cap } from './cap.ts';
import type { FlatWavefront } from './flat.ts';
import { sectionCosines, sectionLayers, type Section } from './section.ts';
import type { Partition } from './wavefront/index.ts';

export interface LiftOptions {
  section: Section;
  /** grid step, mm */
  step: number;
}

/** Edges whose faces turn by more than 30 degrees shade crisply. */
const CRISP_COSINE = 0.8660254037844387;

/**
 * Lifts a proved plan to a closed solid: every piece of the section carries the triangles and quads of its band at its own depths, walls
 * are quads, caps close both ends. Vertices are (node, section vertex) on layers and (node, section piece) between, so that faces
 * meet without searching. Since the plan is a triangulation and the section is simple the skin can't cross itself
 * (docs/geometry.md). Regions hold the letter's index in its cluster.
 */
export function lift(flat: FlatWavefront, options: LiftOptions): PolygonMesh {
  return new Lifter(flat, options).run();
}

/** A flat sheet of the outline at z = 0, facing up. */
export function liftSheet(flat: FlatWavefront, step: number): PolygonMesh {
  const builder = new MeshBuilder();
  const p = flat.partition;
  const cap = flat.caps.get(0);
  const vertex = new Int32Array(p.x.length).fill(-1);
  if (cap) {
    addCap(builder, cap, 'front', false, (node) => {
      if (vertex[node] < 0) vertex[node] = builder.vertex(p.x[node] * step, p.y[node] * step, 0);
      return vertex[node];
    });
  }
  return builder.finish();
}

function addCap(
  builder: MeshBuilder,
  cap: Cap,
  part: Part,
  reverse: boolean,
  vertexOf: (node: number) => number,
): void {
  for (let f = 0; f + 1 < cap.start.length; f++) {
    const corners = Array.from(cap.nodes.subarray(cap.start[f], cap.start[f + 1]), vertexOf);
    builder.face(reverse ? corners.reverse() : corners, builder.region(part, cap.letter[f], -1));
  }
}

class Lifter {
  readonly #p: Partition;
  readonly #flat: FlatWavefront;
  readonly #section: Section;
  readonly #step: number;
  readonly #builder = new MeshBuilder();
  /** layer of each section vertex */
  readonly #layerOf: number[];
  readonly #onVertex: Int32Array[];
  /** per face: section piece (-1 front, pieces.length back) and outline edge (-1 on caps) */
  readonly #facePiece: number[] = [];
  readonly #faceEdge: number[] = [];
  readonly #ringOfEdge: Int32Array;
  readonly #isCounter: boolean[];

  constructor(flat: FlatWavefront, options: LiftOptions) {
    this.#flat = flat;
    this.#p = flat.partition;
    this.#section = options.section;
    this.#step = options.step;
    const ranks = [0, ...sectionLayers(options.section)];
    this.#layerOf = options.section.inset.map((inset) => ranks.indexOf(inset));
    this.#onVertex = options.section.inset.map(() => new Int32Array(this.#p.x.length).fill(-1));
    const outline = flat.outline;
    this.#ringOfEdge = ringOfEdges(outline);
    this.#isCounter = toRings(outline).map((ring) => doubledArea(ring) < 0);
  }

  run(): PolygonMesh {
    const last = this.#section.inset.length - 1;
    this.#cap(0, 'front', false, -1);
    for (let piece = 0; piece < last; piece++) {
      const from = this.#layerOf[piece];
      const to = this.#layerOf[piece + 1];
      if (from === to) this.#wall(piece, from);
      else this.#slope(piece, Math.min(from, to), from > to);
    }
    this.#cap(last, 'back', true, last);
    const mesh = this.#builder.finish();
    this.#markSharp(mesh);
    return mesh;
  }

  #cap(sectionVertex: number, part: Part, reverse: boolean, piece: number): void {
    const cap = this.#flat.caps.get(this.#layerOf[sectionVertex]);
    if (!cap) return;
    addCap(this.#builder, cap, part, reverse, (node) => this.#ringVertex(node, sectionVertex));
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

  #regionOf(part: Part, edge: number): number {
    return this.#builder.region(part, this.#flat.outline.letter[edge], this.#ringOfEdge[edge]);
  }

  #partOf(piece: number, edge: number): Part {
    const part = this.#section.part[piece];
    if (part !== 'wall') return part;
    return this.#isCounter[this.#ringOfEdge[edge]] ? 'innerWall' : 'outerWall';
  }

  /** The inset stays: one quad an outline edge. The section runs from front to back. */
  #wall(piece: number, layer: number): void {
    const ring = this.#p.rings[layer];
    for (let i = 0; i < ring.from.length; i++) {
      const a = ring.from[i];
      const b = ring.to[i];
      const loop = [
        this.#ringVertex(a, piece),
        this.#ringVertex(a, piece + 1),
        this.#ringVertex(b, piece + 1),
        this.#ringVertex(b, piece),
      ];
      this.#face(loop, piece, ring.edge[i]);
    }
  }

  #face(loop: number[], piece: number, edge: number): void {
    this.#builder.face(loop, this.#regionOf(this.#partOf(piece, edge), edge));
    this.#facePiece.push(piece);
    this.#faceEdge.push(edge);
  }

  /** The band between `inner` and `inner + 1`; seen from the front where the inset falls along the section, from behind where it rises. */
  #slope(piece: number, bandIndex: number, falls: boolean): void {
    const band = this.#p.bands[bandIndex];
    const between = new Map<number, number>();
    const vertexOf = (node: number): number => {
      const layer = this.#p.layer[node];
      if (layer === this.#layerOf[piece]) return this.#ringVertex(node, piece);
      if (layer === this.#layerOf[piece + 1]) return this.#ringVertex(node, piece + 1);
      let found = between.get(node);
      if (found === undefined) {
        found = this.#betweenVertex(node, piece);
        between.set(node, found);
      }
      return found;
    };
    for (let f = 0; f + 1 < band.start.length; f++) {
      const loop = Array.from(band.nodes.subarray(band.start[f], band.start[f + 1]), vertexOf);
      this.#face(falls ? loop : loop.reverse(), piece, band.edge[f]);
    }
  }

  #betweenVertex(node: number, piece: number): number {
    const { x, y, inset, layers } = this.#p;
    const i0 = layers[this.#layerOf[piece]];
    const i1 = layers[this.#layerOf[piece + 1]];
    const z0 = this.#section.z[piece];
    const z1 = this.#section.z[piece + 1];
    const z = Math.round(z0 + ((inset[node] - i0) / (i1 - i0)) * (z1 - z0));
    return this.#builder.vertex(x[node] * this.#step, y[node] * this.#step, z * this.#step);
  }

  /**
   * Between pieces of the section the section's own angle decides; between neighbouring outline edges the drawing's corners do, so
   * that coarse curves still shade smoothly; elsewhere the angle of the two faces.
   */
  #markSharp(mesh: PolygonMesh): void {
    const { twin, face } = adjacency(mesh);
    const areas = faceAreaVectors(mesh);
    const cosines = sectionCosines(this.#section);
    const next = nextVertices(this.#flat.outline);
    const corner = this.#flat.outline.corner;
    const isFan = this.#fanSources();
    for (let c = 0; c < mesh.faceVertices.length; c++) {
      if (twin[c] < 0) {
        mesh.sharp[c] = 1;
        continue;
      }
      const f = face[c];
      const g = face[twin[c]];
      const [p, q] = [this.#facePiece[f], this.#facePiece[g]];
      if (p !== q) {
        mesh.sharp[c] = cosines[Math.max(p, q)] < CRISP_COSINE ? 1 : 0;
        continue;
      }
      const [d, e] = [this.#faceEdge[f], this.#faceEdge[g]];
      const follows = d >= 0 && e >= 0 && d !== e && !isFan.has(d) && !isFan.has(e) && (next[d] === e || next[e] === d);
      if (follows) mesh.sharp[c] = corner[next[d] === e ? e : d];
      else mesh.sharp[c] = cosineBetween(areas, f, g) < CRISP_COSINE ? 1 : 0;
    }
  }

  /** Outline edges that also carry the fan of a sharp corner; their faces are told apart by angle alone. */
  #fanSources(): Set<number> {
    const { x, y, corner } = this.#flat.outline;
    const next = nextVertices(this.#flat.outline);
    const found = new Set<number>();
    for (let i = 0; i < x.length; i++) {
      const v = next[i];
      if (!corner[v]) continue;
      const w = next[v];
      const ux = x[v] - x[i];
      const uy = y[v] - y[i];
      const vx = x[w] - x[v];
      const vy = y[w] - y[v];
      if (ux * vy - uy * vx <= 0) found.add(v);
    }
    return found;
  }
}

function cosineBetween(areas: Float64Array, f: number, g: number): number {
  const [ax, ay, az] = areas.subarray(f * 3, f * 3 + 3);
  const [bx, by, bz] = areas.subarray(g * 3, g * 3 + 3);
  const lengths = Math.sqrt((ax * ax + ay * ay + az * az) * (bx * bx + by * by + bz * bz));
  return lengths > 0 ? (ax * bx + ay * by + az * bz) / lengths : 1;
}

function ringOfEdges(outline: Outline): Int32Array {
  const ring = new Int32Array(outline.x.length);
  for (let r = 0; r + 1 < outline.ringStart.length; r++) ring.fill(r, outline.ringStart[r], outline.ringStart[r + 1]);
  return ring;
}
