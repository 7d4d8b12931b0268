import { bend } from './bend/index.ts';
import { bulge } from './bulge/index.ts';
import { clearStep } from './clear/index.ts';
import { crispStep } from './crisp/index.ts';
import { cut } from './cut/index.ts';
import { join } from './join/index.ts';
import { noise } from './noise/index.ts';
import { onto } from './onto/index.ts';
import { pinch } from './pinch/index.ts';
import { quads } from './quads/index.ts';
import { recastStep } from './recast/index.ts';
import { reduceStep } from './reduce/index.ts';
import { relief } from './relief/index.ts';
import { repeat } from './repeat/index.ts';
import { run } from './run/index.ts';
import { scatter } from './scatter/index.ts';
import { shear } from './shear/index.ts';
import { stretch } from './stretch/index.ts';
import { subdivideStep } from './subdivide/index.ts';
import { taper } from './taper/index.ts';
import { triangles } from './triangles/index.ts';
import { twist } from './twist/index.ts';
import { wave } from './wave/index.ts';

/**
 * Every kind of step, in the order of menus. A new kind is a folder beside these, a line here, and its words in each
 * language.
 */
export const STEP_LIST = [
  subdivideStep,
  reduceStep,
  triangles,
  quads,
  join,
  clearStep,
  crispStep,
  recastStep,
  bend,
  twist,
  taper,
  shear,
  stretch,
  pinch,
  bulge,
  wave,
  noise,
  relief,
  run,
  repeat,
  scatter,
  onto,
  cut,
] as const;
