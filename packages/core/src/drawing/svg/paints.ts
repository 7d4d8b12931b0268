import { colord, extend } from 'colord';
import namesPlugin from 'colord/plugins/names';
import { svgLength, numbersOf } from './numbers.ts';
import type { Style } from './styles.ts';

extend([namesPlugin]);

/** What stands for a pattern of tiles, which has no one colour. */
export const TILED = '#808080';

export type PaintServer = (id: string) => string | undefined;

/**
 * A fill or stroke as a colour, #rrggbb. Undefined: nothing is painted. `gradient`: a server's first colour stands for
 * it.
 */
export function paintOf(
  value: string,
  style: Style,
  alpha: string | undefined,
  { serverColour }: { serverColour: PaintServer },
): { colour: string; gradient: boolean } | undefined {
  if (isZero(alpha) || isZero(style.opacity)) return undefined;
  const server = /^\s*url\(\s*["']?#([^"')]+)["']?\s*\)\s*(.*)$/.exec(value);
  if (server) {
    const colour = serverColour(server[1]);
    if (colour !== undefined) return { colour, gradient: true };
    const rest = solid(server[2] || 'none', style);
    return rest === undefined ? undefined : { colour: rest, gradient: false };
  }
  const colour = solid(value, style);
  return colour === undefined ? undefined : { colour, gradient: false };
}

/**
 * A colour without its alpha; undefined for none, for what can be seen through altogether, and for what is no colour.
 */
export function solid(value: string, style: Style): string | undefined {
  const text = value.trim().toLowerCase() === 'currentcolor' ? (style.color ?? 'black') : value.trim();
  const parsed = colord(text.toLowerCase());
  if (!parsed.isValid() || parsed.alpha() === 0) return undefined;
  return parsed.alpha(1).toHex();
}

const isZero = (alpha: string | undefined): boolean => alpha !== undefined && svgLength(alpha, 1) === 0;

const oneOf = <T extends string>(value: string | undefined, all: readonly T[], usual: T): T =>
  all.find((one) => one === value?.trim()) ?? usual;

/** A stroke's form, in user units; undefined where it has no width or no sense. */
export function strokeOf(style: Style, diagonal: number) {
  const width = svgLength(style['stroke-width'] ?? '1', diagonal) ?? NaN;
  if (!(width > 0) || !Number.isFinite(width)) return undefined;
  const dashes = style['stroke-dasharray'] === undefined ? [] : numbersOf(style['stroke-dasharray']);
  const isDashed = dashes.length <= 64 && dashes.every((d) => Number.isFinite(d) && d >= 0);
  const miterLimit = Number(style['stroke-miterlimit'] ?? 4);
  return {
    kind: 'stroke' as const,
    width,
    join: oneOf(style['stroke-linejoin'], ['miter', 'round', 'bevel'], 'miter'),
    cap: oneOf(style['stroke-linecap'], ['butt', 'round', 'square'], 'butt'),
    miterLimit: miterLimit >= 1 && Number.isFinite(miterLimit) ? miterLimit : 4,
    dashes: isDashed ? dashes : [],
    dashOffset: svgLength(style['stroke-dashoffset'], diagonal) ?? 0,
  };
}

export const fillRuleOf = (style: Style): 'nonzero' | 'evenodd' =>
  oneOf(style['fill-rule'], ['nonzero', 'evenodd'], 'nonzero');
