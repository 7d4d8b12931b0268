import type { StartFacts } from './definition.ts';

/** Limits a quarter of the piece from its ends, for when they are asked for. */
export const quarters = ({ box, wide }: StartFacts): { fromMm?: number; toMm?: number } =>
  box ? { fromMm: Math.round(box.low[0] + wide / 4), toMm: Math.round(box.high[0] - wide / 4) } : {};
