import type { Outline } from '../outline/index.ts';
import { flatWavefront, type FlatOptions, type FlatWavefront } from '../solid/index.ts';
import type { FaceStyle } from './definition.ts';
import { PLAIN } from './plain.ts';
import { flatInStyle } from './style.ts';

export interface FacedFlat {
  flat: FlatWavefront;
  /** no valid faces of the wanted style were found: plain ones stand in */
  fellBack: boolean;
}

/** The flat wavefront with faces in a style. */
export function facedFlat(outline: Outline, options: FlatOptions, style: FaceStyle): FacedFlat {
  const styled = outline.x.length === 0 ? undefined : flatInStyle(outline, options, style);
  if (styled) return { flat: styled, fellBack: false };
  const flat = flatWavefront(outline, options);
  // without a flat front there is nothing to cut in any style
  return { flat, fellBack: style.kind !== PLAIN.kind && hasCap(flat) };
}

const hasCap = ({ caps }: FlatWavefront): boolean => [...caps.values()].some(({ nodes }) => nodes.length > 0);
