import { glb } from './glb.ts';
import { obj } from './obj.ts';
import { ply } from './ply.ts';
import { stl } from './stl.ts';

/**
 * Every kind of mesh file, in the order of lists. A new one is a file beside these, a line here, and its words in each
 * language.
 */
export const FORMAT_LIST = [obj, stl, ply, glb] as const;
