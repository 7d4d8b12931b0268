import type { Action } from '../store/index.ts';
import { texts } from '../words/index.ts';
import { workShares } from './workShares.ts';

const T = texts.figures;

/** What is known of this machine, as rows of a name and a value. */
export type MachineRow = readonly [name: string, value: string];

/** All of the panel, to be sent to somebody. */
export function asText(actions: readonly Action[], machine: readonly MachineRow[]): string {
  const [last] = actions;
  const parts = last
    ? workShares(last).map(
        ({ name, ms, made = 0, found = 0 }) =>
          `  ${T.ms(ms)}  ${T.stage[name] ?? name}${made + found > 0 ? ` (${T.counts(made, found)})` : ''}`,
      )
    : [];
  const before = actions
    .slice(1)
    .map(({ kind, milliseconds, faces }) => `  ${T.ms(milliseconds)}  ${T.kinds[kind]}, ${T.faces(faces)}`);
  return [
    T.title,
    last ? T.last[last.kind](last.milliseconds, last.faces) : T.none,
    ...parts,
    ...(before.length > 0 ? [T.before, ...before] : []),
    T.machine,
    ...machine.map(([name, value]) => `  ${name}: ${value}`),
  ].join('\n');
}
