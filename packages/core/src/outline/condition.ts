import { contact } from './contact.ts';
import { orientByWinding } from './orient.ts';
import { doubledArea, fromRings, toRings, type Outline, type VertexRing } from './outline.ts';
import { tidy } from './tidy.ts';
import { openRings, unite } from './unite.ts';

/**
 * Relative to the em, from docs/geometry.md: what counts as a short edge, as dust, as touching, and by how much an
 * opening parts it.
 */
export const SHORTEST_EDGE_EM = 2e-5;
export const OPENING_EM = 0.25e-3;
const DUST_DOUBLED_EM2 = 1e-6;
const NEAR_SHARE = 0.05;

export interface Conditioned {
  outline: Outline;
  /** true when touching parts had to be opened */
  opened: boolean;
}

/**
 * Rings as drawn (any orientation, crossing, touching, folded) -> an outline fit for the wavefront: no two edges meet
 * except neighbours at their common end, ink to the left. Contours of real fonts cross and touch themselves, so this is
 * the rule and not the exception. Points stay untouched where nothing is wrong.
 */
export function condition(rings: readonly VertexRing[], em: number): Conditioned {
  const options = tidyOptions(em);
  const near = NEAR_SHARE * OPENING_EM * em;
  let current = tidy(rings, options);
  let state = contact(current, near);
  for (let round = 0; state === 'crossing' && round < 4; round++) {
    current = tidy(unite(current), options);
    state = contact(current, near);
  }
  if (state === 'clear') {
    const drawn = current.filter((ring) => Math.abs(doubledArea(ring)) >= options.smallestDoubledArea);
    return { outline: fromRings(orientByWinding(drawn)), opened: false };
  }
  return { outline: fromRings(opening(current, options, OPENING_EM * em)), opened: true };
}

/** The same outline with parts that all but touch a hair farther apart; empty where none was found. */
export const openedOutline = (outline: Outline, em: number): Outline =>
  fromRings(opening(toRings(outline), tidyOptions(em), OPENING_EM * em));

const tidyOptions = (em: number): { shortest: number; smallestDoubledArea: number } => ({
  shortest: SHORTEST_EDGE_EM * em,
  smallestDoubledArea: Math.max(2, DUST_DOUBLED_EM2 * em * em),
});

/** Opens by growing distances until no two edges meet; an outline that never does is given up (empty). */
function opening(
  rings: VertexRing[],
  options: { shortest: number; smallestDoubledArea: number },
  distance: number,
): VertexRing[] {
  for (let attempt = 0; attempt < 4; attempt++) {
    let current = tidy(openRings(rings, distance * (attempt + 1)), options);
    for (let round = 0; round < 3 && contact(current, 0) === 'crossing'; round++)
      current = tidy(unite(current), options);
    if (contact(current, 0) !== 'crossing') return orientByWinding(current);
  }
  return [];
}
