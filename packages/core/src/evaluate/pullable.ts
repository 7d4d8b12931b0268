import type { PointRows } from '../shape/index.ts';
import type { Layout } from '../text/index.ts';
import type { Pullable } from './shapeClusters.ts';

/** The last exact meshes of a piece whose shape steps come last, ready to be moved by other values. */
export interface Pull extends Pullable {
  lines: Pick<Layout, 'baselines' | 'emMm' | 'capMm'>;
  /** of every cluster's points; which way is outward for them is looked up by the first pull that asks for it */
  rows: PointRows[];
}
