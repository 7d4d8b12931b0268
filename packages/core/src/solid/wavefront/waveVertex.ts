/** A corner of the moving front between the edges `left` (arriving) and `right` (leaving), in a doubly linked ring. */
export interface WaveVertex {
  x: number;
  y: number;
  /** time of birth, where it stood at (x, y) */
  born: number;
  vx: number;
  vy: number;
  left: number;
  right: number;
  prev: WaveVertex;
  next: WaveVertex;
  /** node of the plan at which its present trace begins */
  node: number;
  alive: boolean;
  reflex: boolean;
  /** its edges lie on one line and face each other */
  zips: boolean;
  version: number;
  /** foreseen hits on edges, soonest last */
  hits: { time: number; edge: number }[];
}

export const xAt = (v: WaveVertex, time: number): number => v.x + v.vx * (time - v.born);
export const yAt = (v: WaveVertex, time: number): number => v.y + v.vy * (time - v.born);
