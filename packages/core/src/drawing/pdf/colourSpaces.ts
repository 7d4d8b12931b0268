/**
 * How the numbers of a colour are meant (ISO 32000-1, 8.6). A tint stands for what its function makes of it in another
 * space.
 */
export type ColourSpace = 'gray' | 'rgb' | 'cmyk' | 'lab' | 'pattern' | Tint;

export interface Tint {
  alternate: ColourSpace;
  /** undefined where the function can't be worked out */
  toAlternate(tints: readonly number[]): number[] | undefined;
}

export const BLACK = '#000000';

/** #rrggbb as seen on a screen; inks are taken as clean ones, without a profile. */
export function colourOf(space: ColourSpace, n: readonly number[]): string {
  if (typeof space === 'object') {
    const found = space.toAlternate(n);
    return found ? colourOf(space.alternate, found) : grey(1 - Math.max(0, ...n));
  }
  const at = (i: number): number => n[i] ?? 0;
  switch (space) {
    case 'rgb':
      return hex([at(0), at(1), at(2)]);
    case 'cmyk':
      return hex([0, 1, 2].map((i) => (1 - share(at(i))) * (1 - share(at(3)))));
    case 'lab':
      return grey(at(0) / 100);
    default:
      return grey(at(0));
  }
}

const share = (v: number): number => Math.min(1, Math.max(0, v));
const grey = (light: number): string => hex([light, light, light]);
const hex = (rgb: readonly number[]): string =>
  `#${rgb
    .map((v) =>
      Math.round(255 * share(v))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
