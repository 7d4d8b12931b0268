import { defineStep, moves } from '../definition.ts';
import { readable } from '../readable.ts';
import { SCATTER, type ScatterStep } from './fields.ts';
import { scatterMap } from './map.ts';

/** Letters each by itself: as far as a course along the line or chance says. */
export const scatter = defineStep({
  kind: 'scatter',
  fields: SCATTER,
  group: 'shape',
  act: moves<ScatterStep>({
    map: ([step], { box }) => scatterMap(step, box),
    canFold: ({ rigid }) => !rigid,
  }),
  start: ({ tall }): Partial<ScatterStep> => ({ moveMm: [0, readable(tall / 8), 0] }),
  flags: { name: 'scatter', main: 'by', turn: 0 },
});
