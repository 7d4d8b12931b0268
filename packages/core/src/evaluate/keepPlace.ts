import { placeItem, type Edit, type Group, type Item, type Placement } from '../document/index.ts';
import { turnedBack, turnOf, type Transform, type Vec3 } from '../math/index.ts';
import { standingAs } from './placement.ts';

/** How something stands now. */
export interface Stands {
  /** from its own space to the scene's */
  transform: Transform;
  /** where what is said of its place counts from */
  frame: Transform;
  /** in its own space, mm */
  pivot: Vec3;
}

/**
 * Says anew where something stands, so that it stays where it is when its place counts from another frame. Not for what
 * lies on another piece: it stands where that does in any frame, and its own place waits.
 */
export function stayingIn(item: Item, { transform, frame, pivot }: Stands, to: Transform): Edit[] {
  const isSame = frame.rows.every((v, i) => v === to.rows[i]) && frame.move.every((v, k) => v === to.move[k]);
  if (isSame) return [];
  return [placeItem(item, { ...standingAs(turnedBack(to, transform), pivot), stand: 'free' })];
}

/** Another place becomes the pivot, both in the own space of what it is of: nothing else moves. */
export function pivotMoved<P extends Pick<Placement, 'atMm' | 'turnDegrees' | 'sizePercent'>>(
  placement: P,
  from: Vec3,
  to: Vec3,
): Pick<P, 'atMm'> {
  const rows = turnOf(placement.turnDegrees);
  const by = to.map((v, k) => ((v - from[k]) * placement.sizePercent) / 100);
  const onTable = 'stand' in placement && placement.stand === 'table';
  const atMm = placement.atMm.map((v, k) =>
    // on the table its height counts from the lowest point, whatever the pivot
    onTable && k === 1 ? v : v + rows[3 * k] * by[0] + rows[3 * k + 1] * by[1] + rows[3 * k + 2] * by[2],
  );
  return { atMm: atMm as Group['placement']['atMm'] };
}
