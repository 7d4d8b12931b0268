import type { Outline } from '../outline/index.ts';
import { bandsFlat } from './bands/cutFlat.ts';
import type { Lines } from './bands/cutNodes.ts';
import { flatWavefront, type FlatOptions, type FlatWavefront } from './flat.ts';
import { flowFlat, gridFlat } from './flow/flowFlat.ts';

/** How fronts and backs are cut into faces, and edges and walls with them. Lengths are grid steps. */
export type FaceStyle =
  | { kind: 'plain' }
  | { kind: 'bands'; lines: Lines }
  | { kind: 'grid'; size: number; tolerance: number; support?: number; origin: { x: number; y: number } }
  | { kind: 'flow'; size: number; tolerance: number; support?: number };

export interface FacedFlat {
  flat: FlatWavefront;
  /** no valid faces of the wanted style were found: plain ones stand in */
  fellBack: boolean;
}

/** The flat wavefront with faces in a style. */
export function facedFlat(outline: Outline, options: FlatOptions, style: FaceStyle): FacedFlat {
  const styled = outline.x.length === 0 ? undefined : inStyle(outline, options, style);
  if (styled) return { flat: styled, fellBack: false };
  const flat = flatWavefront(outline, options);
  // without a flat front there is nothing to cut in any style
  return { flat, fellBack: style.kind !== 'plain' && hasCap(flat) };
}

const hasCap = ({ caps }: FlatWavefront): boolean => [...caps.values()].some(({ nodes }) => nodes.length > 0);

function inStyle(outline: Outline, options: FlatOptions, style: FaceStyle): FlatWavefront | undefined {
  if (style.kind === 'plain') return flatWavefront(outline, options);
  if (style.kind === 'bands') return bandsFlat(outline, options, style.lines);
  if (style.kind === 'grid') return gridFlat(outline, options, style);
  return flowFlat(outline, options, style);
}
