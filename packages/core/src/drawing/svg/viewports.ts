import { type Matrix } from './matrices.ts';
import { svgLength, numbersOf } from './numbers.ts';
import type { SvgNode } from './xmlTree.ts';

export interface Viewport {
  width: number;
  height: number;
}

/** What a browser takes where a file gives no size (CSS 2, 10.3.2). */
const USUAL: Viewport = { width: 300, height: 150 };

/** Of a root, one side that is not named follows the other by the box's shape (CSS 2, 10.6.2). */
function rootSize(
  [width, height]: readonly [number | undefined, number | undefined],
  box: readonly number[],
): [number, number] {
  const [, , boxWidth, boxHeight] = box;
  if (width !== undefined) return [width, height ?? (width * boxHeight) / boxWidth];
  if (height !== undefined) return [(height * boxWidth) / boxHeight, height];
  return [boxWidth, boxHeight];
}

/** An svg or symbol element's own room: how its units lie in its parent's, and how large it is inside (SVG 2, 8.2). */
export function viewportOf({ attributes }: SvgNode, outer: Viewport | undefined): { matrix: Matrix; inner: Viewport } {
  const view = numbersOf(attributes.viewBox ?? '');
  const box = view.length === 4 && view[2] > 0 && view[3] > 0 ? view : undefined;
  const room = outer ?? { width: box?.[2] ?? USUAL.width, height: box?.[3] ?? USUAL.height };
  const named = [svgLength(attributes.width, room.width), svgLength(attributes.height, room.height)] as const;
  const [width, height] = outer || !box ? [named[0] ?? room.width, named[1] ?? room.height] : rootSize(named, box);
  const x = outer ? (svgLength(attributes.x, room.width) ?? 0) : 0;
  const y = outer ? (svgLength(attributes.y, room.height) ?? 0) : 0;
  if (!box) return { matrix: [1, 0, 0, 1, x, y], inner: { width, height } };
  const [minX, minY, boxWidth, boxHeight] = box;
  const [sx, sy] = [width / boxWidth, height / boxHeight];
  const [align = 'xMidYMid', how = 'meet'] = (attributes.preserveAspectRatio ?? '').trim().split(/\s+/).filter(Boolean);
  const inner = { width: boxWidth, height: boxHeight };
  if (align === 'none') return { matrix: [sx, 0, 0, sy, x - minX * sx, y - minY * sy], inner };
  const scale = how === 'slice' ? Math.max(sx, sy) : Math.min(sx, sy);
  const share = (name: string): number => (align.includes(`${name}Min`) ? 0 : align.includes(`${name}Max`) ? 1 : 0.5);
  const dx = (width - boxWidth * scale) * share('x');
  const dy = (height - boxHeight * scale) * share('Y');
  return { matrix: [scale, 0, 0, scale, x - minX * scale + dx, y - minY * scale + dy], inner };
}
