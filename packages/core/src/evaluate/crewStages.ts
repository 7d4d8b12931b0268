import { CLUSTER_FLAT } from '../lettering/index.ts';
import { DISPLAY, displayThere } from './displays.ts';
import { NEED, needThere } from './stages/need.ts';
import { PULLED, pullThere } from './stages/pulled.ts';
import { SHAPE, shapeThere } from './stages/shape.ts';

/** Stages that other threads can work out; what they are given can be copied. */
export const CREW_STAGES: Readonly<Record<string, (inputs: never, cancelled: () => boolean) => unknown>> = {
  [CLUSTER_FLAT.name]: (inputs: Parameters<typeof CLUSTER_FLAT.make>[0], cancelled) =>
    CLUSTER_FLAT.make(inputs, { cancelled, count: () => undefined }),
  [NEED.name]: needThere,
  [SHAPE.name]: shapeThere,
  [PULLED]: pullThere,
  [DISPLAY]: displayThere,
};
