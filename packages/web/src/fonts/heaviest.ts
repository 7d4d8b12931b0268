import type { FontFamilyInfo } from '@fictile/contract';

/** The style that a family is shown in: the heaviest upright one, or what there is. */
export const heaviest = ({ styles }: FontFamilyInfo): FontFamilyInfo['styles'][number] =>
  styles.reduce((best, s) => ((s.italic === best.italic ? s.weight > best.weight : best.italic) ? s : best));
