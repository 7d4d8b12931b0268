import { cos, PI, sin } from '../math/index.ts';
import type { LayoutOptions, Letter } from './letters.ts';

type Point = readonly [number, number];

/**
 * A letter with what is said of it alone: scaled about the middle of its foot, then turned about its middle, then
 * moved.
 */
export function standsApart(letter: Letter, { own }: Pick<LayoutOptions, 'own'>, capMm: number): Letter {
  const said = own[letter.id];
  if (!said) return letter;
  const { moveMm, turnDegrees, scalePercent, leftOut } = said;
  const scale = scalePercent / 100;
  const angle = (turnDegrees * PI) / 180;
  // in the frame of its baseline: where the origin of its drawing goes to
  const foot: Point = [letter.advance / 2, 0];
  const middle: Point = [letter.advance / 2, (scale * capMm) / 2];
  const [x, y] = turned([foot[0] * (1 - scale) - middle[0], -middle[1]], angle);
  const [dx, dy] = turned([x + middle[0], y + middle[1]], letter.turn);
  const [s, c] = [scale * sin(angle), scale * cos(angle)];
  const [a, b, e, d] = letter.form;
  return {
    ...letter,
    x: letter.x + dx + moveMm[0],
    y: letter.y + dy + moveMm[1],
    form: [c * a - s * e, c * b - s * d, s * a + c * e, s * b + c * d],
    turn: letter.turn + angle,
    glyphs: leftOut ? [] : letter.glyphs,
    ...(leftOut && letter.shape ? { shape: { ...letter.shape, key: `${letter.shape.key} out`, rings: [] } } : {}),
  };
}

const turned = ([x, y]: Point, angle: number): Point =>
  angle === 0 ? [x, y] : [x * cos(angle) - y * sin(angle), x * sin(angle) + y * cos(angle)];
