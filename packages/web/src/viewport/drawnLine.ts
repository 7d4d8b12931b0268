import type { Place } from './stepPlaces.ts';

/** Of the line's own extent: places stand no closer. */
const STEP = 1 / 60;
const MOST = 400;

/** Places of a line as a hand has drawn it, without those that stand closer to the one before than the line needs. */
export function thinnedOut(drawn: readonly Place[]): Place[] {
  const far = Math.max(
    ...[0, 1, 2].map((k) => Math.max(...drawn.map((p) => p[k])) - Math.min(...drawn.map((p) => p[k]))),
  );
  for (let step = far * STEP; ; step *= 2) {
    const kept = drawn.slice(0, 1);
    for (const place of drawn) if (distance(place, kept[kept.length - 1]) > step) kept.push(place);
    if (kept.length <= MOST) return kept;
  }
}

/**
 * Without the trembling of a hand: each place goes to the middle between itself and its neighbours, twice; the ends
 * stay. To a tenth of a mm.
 */
export function evened(places: readonly Place[]): Place[] {
  let now = [...places];
  for (let pass = 0; pass < 2; pass++)
    now = now.map((place, i) =>
      i === 0 || i === now.length - 1
        ? place
        : (place.map((v, k) => (now[i - 1][k] + 2 * v + now[i + 1][k]) / 4) as Place),
    );
  return now.map((place) => place.map((v) => Math.round(v * 10) / 10 + 0) as Place);
}

const distance = (a: Place, b: Place): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
