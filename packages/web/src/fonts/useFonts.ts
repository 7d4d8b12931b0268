import type { FontFamilyInfo } from '@fictile/contract';
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api } from '../api/index.ts';
import { registerStandIns } from './fontSamples.ts';

export const FONTS_QUERY = { queryKey: ['fonts'], queryFn: api.listFonts, staleTime: Infinity };

/** The shipped families; the page's own text gets those that stand in for other scripts. */
export function useFonts(): UseQueryResult<FontFamilyInfo[]> {
  const fonts = useQuery(FONTS_QUERY);
  useEffect(() => registerStandIns(fonts.data ?? []), [fonts.data]);
  return fonts;
}
