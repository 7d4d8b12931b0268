import type { Words } from '@fictile/core';
import { useQueryClient } from '@tanstack/react-query';
import { heaviest } from './heaviest.ts';
import { useBringFonts } from './useBringFonts.ts';
import { FONTS_QUERY } from './useFonts.ts';

/** Brings font files into the type case; the first family that comes is what words are set in then. */
export function useFontsFor(onFont: (font: Words['font']) => void): (files: readonly File[]) => void {
  const queries = useQueryClient();
  const { bring } = useBringFonts(async (name) => {
    const family = (await queries.fetchQuery(FONTS_QUERY)).find((one) => one.family === name);
    if (!family) return;
    const { weight, italic } = heaviest(family);
    onFont({ family: name, weight, italic, axes: {} });
  });
  return bring;
}
