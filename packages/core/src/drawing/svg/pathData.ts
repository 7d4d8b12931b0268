import { SVGPathData } from 'svg-pathdata';
import { cos, PI, sin, atan2 } from '../../math/index.ts';
import type { Pen } from '../../outline/index.ts';

/**
 * SVG path data -> a pen. False where it is not well formed, up to which nothing was drawn (SVG 2, 9.5.4 would draw
 * some of it).
 */
export function drawPathData(text: string, pen: Pen): boolean {
  let commands: SVGPathData['commands'];
  try {
    commands = new SVGPathData(text).toAbs().normalizeHVZ(false, true, true).normalizeST().commands;
  } catch {
    return false;
  }
  const numbers = commands.flatMap((c) => Object.values(c).filter((v): v is number => typeof v === 'number'));
  if (!numbers.every(Number.isFinite)) return false;
  let [x, y] = [0, 0];
  let [startX, startY] = [0, 0];
  for (const c of commands) {
    switch (c.type) {
      case SVGPathData.MOVE_TO:
        pen.moveTo(c.x, c.y);
        [startX, startY] = [c.x, c.y];
        break;
      case SVGPathData.LINE_TO:
        pen.lineTo(c.x, c.y);
        break;
      case SVGPathData.QUAD_TO:
        pen.quadraticTo(c.x1, c.y1, c.x, c.y);
        break;
      case SVGPathData.CURVE_TO:
        pen.cubicTo(c.x1, c.y1, c.x2, c.y2, c.x, c.y);
        break;
      case SVGPathData.ARC:
        drawArc(pen, [x, y], c);
        break;
      case SVGPathData.CLOSE_PATH:
        pen.close();
        [x, y] = [startX, startY];
        continue;
      default:
        return false;
    }
    [x, y] = [c.x, c.y];
  }
  return true;
}

interface Arc {
  rX: number;
  rY: number;
  xRot: number;
  lArcFlag: number;
  sweepFlag: number;
  x: number;
  y: number;
}

/** From end points to the middle (SVG 2, appendix B.2), then cubic pieces of at most a quarter turn. */
function drawArc(pen: Pen, [x1, y1]: readonly [number, number], arc: Arc): void {
  let [rx, ry] = [Math.abs(arc.rX), Math.abs(arc.rY)];
  if (rx === 0 || ry === 0) return pen.lineTo(arc.x, arc.y);
  if (x1 === arc.x && y1 === arc.y) return;
  const [s, c] = [sin((arc.xRot * PI) / 180), cos((arc.xRot * PI) / 180)];
  const [hx, hy] = [(x1 - arc.x) / 2, (y1 - arc.y) / 2];
  const [px, py] = [c * hx + s * hy, c * hy - s * hx];
  const over = Math.sqrt((px * px) / (rx * rx) + (py * py) / (ry * ry));
  if (over > 1) [rx, ry] = [rx * over, ry * over];
  const across = rx * py;
  const along = ry * px;
  const squares = across * across + along * along;
  const root = Math.sqrt(Math.max(0, rx * ry * rx * ry - squares) / squares);
  const sign = (arc.lArcFlag === 0) === (arc.sweepFlag === 0) ? -1 : 1;
  const [qx, qy] = [(sign * root * rx * py) / ry, (-sign * root * ry * px) / rx];
  const middle = [c * qx - s * qy + (x1 + arc.x) / 2, s * qx + c * qy + (y1 + arc.y) / 2];
  const from = atan2((py - qy) / ry, (px - qx) / rx);
  let turn = atan2((-py - qy) / ry, (-px - qx) / rx) - from;
  if (arc.sweepFlag === 0 && turn > 0) turn -= 2 * PI;
  if (arc.sweepFlag !== 0 && turn < 0) turn += 2 * PI;
  const count = Math.max(1, Math.ceil(Math.abs(turn) / (PI / 2) - 1e-9));
  const step = turn / count;
  const arm = ((4 / 3) * sin(step / 4)) / cos(step / 4);
  const at = (u: number, v: number): [number, number] => [
    middle[0] + c * rx * u - s * ry * v,
    middle[1] + s * rx * u + c * ry * v,
  ];
  for (let i = 0; i < count; i++) {
    const [a, b] = [from + i * step, from + (i + 1) * step];
    const [ca, sa, cb, sb] = [cos(a), sin(a), cos(b), sin(b)];
    const end: [number, number] = i === count - 1 ? [arc.x, arc.y] : at(cb, sb);
    pen.cubicTo(...at(ca - arm * sa, sa + arm * ca), ...at(cb + arm * sb, sb - arm * cb), ...end);
  }
}
