import { ball } from './ball.ts';
import { block } from './block.ts';
import { coil } from './coil.ts';
import { panel } from './panel.ts';
import { ring } from './ring.ts';
import { shell } from './shell.ts';
import { tube } from './tube.ts';
import { turned } from './turned.ts';

/** Every form. A new one is a file beside these, a line here, and its words in each language. */
export const FORM_LIST = [block, ball, turned, tube, ring, coil, shell, panel] as const;
