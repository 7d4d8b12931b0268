import { ByteCache } from '../base/index.ts';
import type { FacedFlat } from '../faces/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { Conditioned } from '../outline/index.ts';

/** A cluster's plan; `isFull`: hollow was asked for, and no room was left inside. */
export interface ClusterFlat extends FacedFlat {
  isFull: boolean;
}

/** A letter's outline; one of too many points stays empty. */
export type LetterOutline = Conditioned & { isTooLarge: boolean };

/** What stays between two evaluations; bounded in bytes. */
export interface LetteringCaches {
  /** conditioned outlines of single letters */
  outlines: ByteCache<LetterOutline>;
  /** whether two letters at a certain distance touch */
  contacts: ByteCache<boolean>;
  /** greatest distances inside clusters */
  reaches: ByteCache<number>;
  /** proved plans of clusters: what dragging the depth does not change */
  flats: ByteCache<ClusterFlat>;
  /** clusters lifted to solids */
  solids: ByteCache<PolygonMesh>;
}

export function letteringCaches(limitBytes: number): LetteringCaches {
  return {
    outlines: new ByteCache(limitBytes * 0.15),
    contacts: new ByteCache(limitBytes * 0.04),
    reaches: new ByteCache(limitBytes * 0.01),
    flats: new ByteCache(limitBytes * 0.4),
    solids: new ByteCache(limitBytes * 0.4),
  };
}
