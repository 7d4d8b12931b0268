import { defineStep, moves } from '../definition.ts';
import { ONTO, type OntoStep } from './fields.ts';

/**
 * Onto the surface of another piece; from here on the piece stands where that one does. Places and directions in that
 * piece's own space.
 */
export const onto = defineStep({
  kind: 'onto',
  fields: ONTO,
  group: 'pieces',
  // what is put on a body gets it
  offered: 'never',
  act: moves<OntoStep>({
    map: ([step], { lay }) => lay(step),
    canFold: () => true,
  }),
  flags: false,
});
