import type { Part } from '../mesh/index.ts';

export interface PartLook {
  /** linear red, green, blue, 0 to 1 */
  colour: readonly [number, number, number];
  roughness: number;
}

const BONE: PartLook = { colour: [0.86, 0.77, 0.6], roughness: 0.38 };
const TERRACOTTA: PartLook = { colour: [0.46, 0.115, 0.045], roughness: 0.72 };
const SIENNA: PartLook = { colour: [0.58, 0.19, 0.08], roughness: 0.5 };

/** How parts look as long as nobody chose a finish: fired clay with a bone glaze on the faces. */
export const PART_LOOKS: Readonly<Record<Part, PartLook>> = {
  front: BONE,
  back: BONE,
  frontEdge: SIENNA,
  backEdge: SIENNA,
  outerWall: TERRACOTTA,
  innerWall: TERRACOTTA,
  body: TERRACOTTA,
};
