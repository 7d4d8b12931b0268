import type { Piece } from '../document/index.ts';
import type { Layout } from '../text/index.ts';
import type { EvaluateRun } from './engineParts.ts';
import type { LaidMaps, OntoTools, Under } from './ground.ts';

export type LaidLines = Pick<Layout, 'baselines' | 'emMm' | 'capMm'>;

/** From a baseline to the middle of the lower-case letters, of the em. */
const MIDDLE_OF_EM = 0.25;

/** How a piece is laid onto others. */
export function ontoToolsOf(
  { steps, body }: Piece,
  { baselines, emMm, capMm }: LaidLines,
  { preview, cut }: EvaluateRun,
  { under: { grounds }, maps }: { under: Under; maps: LaidMaps },
): OntoTools {
  return {
    grounds,
    steps,
    baselines,
    capMm,
    middle: emMm * MIDDLE_OF_EM,
    toleranceMm: body.faces.toleranceMm,
    maps,
    rough: preview,
    isCutter: cut !== undefined,
    behindMm: cut?.behindMm,
    heldMm: cut?.heldMm,
    isSmooth: cut?.isSmooth === true,
    drape: cut?.drape,
    together: [],
  };
}
