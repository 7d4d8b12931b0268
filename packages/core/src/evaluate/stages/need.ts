import type { Named, QuickMemo, QuickStage } from '../../base/index.ts';
import type { Box3, Vec3 } from '../../math/index.ts';
import { needOf, type Need, type ShapeChain } from '../../shape/index.ts';
import { chainThere, type ChainAlone } from './chainAlone.ts';

export interface NeedInputs {
  chain: Named<ShapeChain>;
  /** of one letter: its copies, and the middles of their feet, in the flat layout */
  boxes: readonly Box3[];
  feet: readonly Vec3[];
  /** its id, where a step asks for letters */
  letter: number | undefined;
  toleranceMm: number;
  /** shortest edge that is asked for, mm */
  leastMm: number;
}

export type Needs = QuickMemo<NeedInputs, undefined, Need>;

/** How fine a letter has to be for a chain of shape steps. */
export const NEED: QuickStage<NeedInputs, undefined, Need> = {
  name: 'need',
  make: ({ chain, boxes, feet, letter = -1, toleranceMm, leastMm }) =>
    boxes
      .map((box, i) => needOf(chain.of, box, { toleranceMm, leastMm, letter, foot: feet[i] }))
      .reduce((a, b) => ({ x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), z: Math.min(a.z, b.z) })),
  bytesOf: () => ONE_BYTES,
};
/** Three numbers and a short name. */
const ONE_BYTES = 500;

/** What another thread needs for it. */
export interface NeedTask {
  inputs: Omit<NeedInputs, 'chain'>;
  chain: ChainAlone;
}

export const needThere = ({ inputs, chain }: NeedTask): Need =>
  NEED.make({ ...inputs, chain: { key: chain.key, of: chainThere(chain) } }, undefined);
