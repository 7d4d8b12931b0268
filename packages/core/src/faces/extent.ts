import { boundingBox } from '../outline/index.ts';
import type { PlacedOutlines } from './definition.ts';

/** From where to where letters reach along an axis, with what their solids reach beyond their outlines; grid steps. */
export function extentOf(axis: 'x' | 'y', letters: readonly PlacedOutlines[], outward: number): [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (const { x, y, members } of letters) {
    for (const { outline, dx, dy } of members) {
      const box = boundingBox(outline);
      const from = axis === 'x' ? x + dx : y + dy;
      low = Math.min(low, from + (axis === 'x' ? box.minX : box.minY));
      high = Math.max(high, from + (axis === 'x' ? box.maxX : box.maxY));
    }
  }
  return [low - outward, high + outward];
}
