import { chapterOf, REMARK_CODES, RECIPE_CHAPTERS, type RecipeChapter, type RemarkCode } from '@fictile/core';
import { helpOf } from '../words/index.ts';

/** A remark's page, as it stands in an address. */
export const pageOf = (code: RemarkCode): string => code.toLowerCase().replaceAll('_', '-');
export const addressOf = (code: RemarkCode): string => `/help/${pageOf(code)}`;
export const codeOf = (page: string | undefined): RemarkCode | undefined =>
  REMARK_CODES.find((code) => pageOf(code) === page);

export interface HelpGroup {
  chapter: RecipeChapter;
  codes: RemarkCode[];
}

/** All pages by the chapter of the recipe where they are told, or those that hold these words. */
export function helpGroups(query = ''): HelpGroup[] {
  const wanted = query.trim().toLowerCase();
  const fits = (code: RemarkCode): boolean => Object.values(helpOf(code)).join(' ').toLowerCase().includes(wanted);
  return RECIPE_CHAPTERS.map((chapter) => ({
    chapter,
    codes: REMARK_CODES.filter((code) => chapterOf({ code }) === chapter && fits(code)),
  })).filter(({ codes }) => codes.length > 0);
}
