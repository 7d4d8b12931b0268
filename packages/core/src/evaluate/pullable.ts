import type { PointRows } from '../shape/index.ts';
import type { Layout } from '../text/index.ts';
import type { Pullable } from './shapeClusters.ts';
import type { PulledInto, PulledRows } from './stages/pulled.ts';

/** The last exact meshes of a piece whose shape steps come last, ready to be moved by other values. */
export interface Pull extends Pullable {
  lines: Pick<Layout, 'baselines' | 'emMm' | 'capMm'>;
  /** of every cluster's points */
  rows: PointRows[];
  /** made by the first pull */
  hand?: PullHand;
}

/** By cluster: what is moved, and where to: two sides that take turns, since the page still shows the other one. */
export interface PullHand {
  pulled: readonly PulledRows[];
  /** names the pattern whose heights stand there */
  pattern?: string;
  sides: [PulledInto[] | undefined, PulledInto[] | undefined];
  turn: 0 | 1;
}
