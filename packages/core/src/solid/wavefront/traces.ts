/** Nodes of the plan and the directed segments that bound its faces, as the simulation draws them. */
export class Traces {
  readonly x: number[] = [];
  readonly y: number[] = [];
  /** inset at which the node lies, grid steps */
  readonly inset: number[] = [];
  /** index of the layer it belongs to (0: the outline), or -1 */
  readonly layer: number[] = [];

  readonly band: number[] = [];
  readonly edge: number[] = [];
  readonly from: number[] = [];
  readonly to: number[] = [];

  /** so many of the first segments are the outline's own */
  outlineSegments = 0;

  /** rings of each layer as directed segments: layer, edge, from, to */
  readonly ringLayer: number[] = [];
  readonly ringEdge: number[] = [];
  readonly ringFrom: number[] = [];
  readonly ringTo: number[] = [];

  readonly #parent: number[] = [];

  node(x: number, y: number, inset: number, layer: number): number {
    this.x.push(x);
    this.y.push(y);
    this.inset.push(inset);
    this.layer.push(layer);
    this.#parent.push(this.#parent.length);
    return this.#parent.length - 1;
  }

  /** A path from one node to another: forward in the face of `left`, back in that of `right`. */
  trace(band: number, left: number, right: number, from: number, to: number): void {
    this.segment(band, left, from, to);
    this.segment(band, right, to, from);
  }

  segment(band: number, edge: number, from: number, to: number): void {
    this.band.push(band);
    this.edge.push(edge);
    this.from.push(from);
    this.to.push(to);
  }

  ring(layer: number, edge: number, from: number, to: number): void {
    this.ringLayer.push(layer);
    this.ringEdge.push(edge);
    this.ringFrom.push(from);
    this.ringTo.push(to);
  }

  find(node: number): number {
    const parent = this.#parent;
    let root = node;
    while (parent[root] !== root) root = parent[root];
    while (parent[node] !== root) {
      const up = parent[node];
      parent[node] = root;
      node = up;
    }
    return root;
  }

  /**
   * Makes two nodes one; refused for nodes of different layers and for two points of the outline. A layer's node stays.
   */
  unite(a: number, b: number): boolean {
    const p = this.find(a);
    const q = this.find(b);
    if (p === q) return true;
    const lp = this.layer[p];
    const lq = this.layer[q];
    if (lp >= 0 && lq >= 0 && (lp !== lq || lp === 0)) return false;
    const keepFirst = lp >= 0 || (lq < 0 && p < q);
    this.#parent[keepFirst ? q : p] = keepFirst ? p : q;
    return true;
  }
}
