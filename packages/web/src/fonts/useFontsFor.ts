import type { Words } from '@fictile/core';
import { api } from '../api/index.ts';
import { useBringFonts } from './useBringFonts.ts';

/** Heavier ones bear edges. */
const WANTED_WEIGHT = 700;

/** Brings font files into the type case; the first family that comes is what words are set in then. */
export function useFontsFor(onFont: (font: Words['font']) => void): (files: readonly File[]) => void {
  const { bring } = useBringFonts(async (family) => {
    const styles = (await api.listFonts()).find((one) => one.family === family)?.styles ?? [];
    const far = ({ weight, italic }: (typeof styles)[number]): number =>
      Math.abs(weight - WANTED_WEIGHT) + (italic ? 1 : 0);
    const [best] = [...styles].sort((a, b) => far(a) - far(b));
    if (best) onFont({ family, weight: best.weight, italic: best.italic, axes: {} });
  });
  return bring;
}
