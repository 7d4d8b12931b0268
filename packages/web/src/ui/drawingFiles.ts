/** What a choice of files takes for a drawing of lines and areas. */
export const DRAWINGS = '.svg,.pdf,image/svg+xml,application/pdf';
