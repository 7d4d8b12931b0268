import { cos, PI, sin } from '../math/index.ts';
import type { Pen } from '../outline/index.ts';

/** Arms of a quarter circle's cubic piece, of the radius: the error stays below 2e-4 of it (Riskus 2006). */
export const QUARTER_ARM = 0.551915024494;

/**
 * A rectangle from its lowest corner, its corners rounded by ellipse quarters. Walks counter-clockwise where y is up.
 */
export function drawRectangle(
  pen: Pen,
  [x, y, width, height]: readonly [number, number, number, number],
  [rx, ry]: readonly [number, number] = [0, 0],
): void {
  const [right, top] = [x + width, y + height];
  if (!(rx > 0 && ry > 0)) {
    pen.moveTo(x, y);
    pen.lineTo(right, y);
    pen.lineTo(right, top);
    pen.lineTo(x, top);
    pen.close();
    return;
  }
  const [a, b] = [rx * (1 - QUARTER_ARM), ry * (1 - QUARTER_ARM)];
  pen.moveTo(x + rx, y);
  pen.lineTo(right - rx, y);
  pen.cubicTo(right - a, y, right, y + b, right, y + ry);
  pen.lineTo(right, top - ry);
  pen.cubicTo(right, top - b, right - a, top, right - rx, top);
  pen.lineTo(x + rx, top);
  pen.cubicTo(x + a, top, x, top - b, x, top - ry);
  pen.lineTo(x, y + ry);
  pen.cubicTo(x, y + b, x + a, y, x + rx, y);
  pen.close();
}

export function drawEllipse(pen: Pen, [cx, cy]: readonly [number, number], [rx, ry]: readonly [number, number]): void {
  const [a, b] = [rx * QUARTER_ARM, ry * QUARTER_ARM];
  pen.moveTo(cx + rx, cy);
  pen.cubicTo(cx + rx, cy + b, cx + a, cy + ry, cx, cy + ry);
  pen.cubicTo(cx - a, cy + ry, cx - rx, cy + b, cx - rx, cy);
  pen.cubicTo(cx - rx, cy - b, cx - a, cy - ry, cx, cy - ry);
  pen.cubicTo(cx + a, cy - ry, cx + rx, cy - b, cx + rx, cy);
  pen.close();
}

/** Corners on circles about (0, 0), one radius after the other, the first at the top. */
export function drawCorners(pen: Pen, count: number, radii: readonly number[]): void {
  const total = count * radii.length;
  for (let i = 0; i < total; i++) {
    const angle = PI / 2 + (2 * PI * i) / total;
    const radius = radii[i % radii.length];
    if (i === 0) pen.moveTo(0, radius);
    else pen.lineTo(radius * cos(angle), radius * sin(angle));
  }
  pen.close();
}
