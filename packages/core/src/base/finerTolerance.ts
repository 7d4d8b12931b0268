import { LIMITS } from './limits.ts';

/** Of a tolerance: what is tried where strokes are thinner than curves are true. */
const FINER = 0.2;

/** A finer tolerance, to two figures; none where it is the finest already, mm. */
export function finerTolerance(toleranceMm: number): { finerMm?: number } {
  const finerMm = Math.max(LIMITS.finestToleranceMm, Number((FINER * toleranceMm).toPrecision(2)));
  return finerMm < toleranceMm ? { finerMm } : {};
}
