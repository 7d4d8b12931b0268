import type { CutStep } from '../steps/index.ts';
import { crossingFaces } from '../check/index.ts';
import { raiseFaces } from '../boolean/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';

/** What of an imprint's height and lean was built. */
export interface RaisedImprint {
  mesh: PolygonMesh;
  raiseMm: number;
  leanPercent: number;
}

/** Halvings on the way to the most that crosses nothing: to about a hundredth. */
const HALVINGS = 7;

/**
 * An imprint that stands out: as high and as much narrower at its top as asked for, or, where faces would cross, with
 * as much lean as crosses nothing; where even none does not do, upright and as high as crosses nothing, down to flat.
 */
export function raisedImprint(mesh: PolygonMesh, { raiseMm, leanPercent }: CutStep, by: string): RaisedImprint {
  const attempt = (height: number, lean: number): RaisedImprint | undefined => {
    const up = raiseFaces(mesh, {
      byMm: height,
      leanMm: (height * lean) / 100,
      isRaised: ({ of, part }) => of === by && part === 'front',
      wall: (region) => ({ ...region, part: 'outerWall' }),
    });
    const isOfIt = up.regions.map(({ of }) => of === by);
    const crossing = crossingFaces(up, { limit: 1, concerns: (face) => isOfIt[up.region[face]] });
    return crossing.length > 0 ? undefined : { mesh: up, raiseMm: height, leanPercent: lean };
  };
  const flat = { mesh, raiseMm: 0, leanPercent: 0 };
  const whole = attempt(raiseMm, leanPercent);
  if (whole) return whole;
  const straight = leanPercent === 0 ? undefined : attempt(raiseMm, 0);
  return straight
    ? most((share) => attempt(raiseMm, share * leanPercent), straight)
    : most((share) => attempt(share * raiseMm, 0), flat);
}

/** What the largest share of what was asked for makes that makes anything. */
function most(attempt: (share: number) => RaisedImprint | undefined, none: RaisedImprint): RaisedImprint {
  let [best, low, high] = [none, 0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    const made = attempt(middle);
    if (made) [best, low] = [made, middle];
    else high = middle;
  }
  return best;
}
