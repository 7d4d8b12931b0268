import { usualWords } from '../document/index.ts';
import type { LayoutOptions } from '../text/index.ts';

/** How words are set when nobody chose otherwise, but from the left. */
export const usualLayout = (values: Partial<LayoutOptions> = {}): LayoutOptions => ({
  ...usualWords([]),
  align: 'left',
  ...values,
});
