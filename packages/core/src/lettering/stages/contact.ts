import type { Named, QuickStage } from '../../base/index.ts';
import { touches, type Outline } from '../../outline/index.ts';

export interface ContactInputs {
  one: Named<Outline>;
  other: Named<Outline>;
  /** from the one's origin to the other's, grid steps */
  dx: number;
  dy: number;
  distance: number;
}

/** Whether two letters come within a distance of each other. */
export const CONTACT: QuickStage<ContactInputs, unknown, boolean> = {
  name: 'contact',
  make: ({ one, other, dx, dy, distance }) => touches(one.of, other.of, dx, dy, distance),
  bytesOf: () => BYTES,
};

/** Of a name and what holds it. */
const BYTES = 600;
