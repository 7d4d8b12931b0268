/** Endings of files that are taken. */
export const FONT_FILES = '.ttf,.otf,.ttc,.otc,.woff,.woff2';

export const isFontFile = (name: string): boolean =>
  FONT_FILES.split(',').some((ending) => name.toLowerCase().endsWith(ending));
