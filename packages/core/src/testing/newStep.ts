import { jest } from '@jest/globals';
import { axis, count, flag, length } from '../fields/index.ts';
import { axisIndex } from '../math/index.ts';
import { defineStep, moves, type StepOf } from '../steps/definition.ts';

// A kind of step that nobody has seen: all that has to be written for one, so that tests can look at what follows from
// it.

const HUMPS = {
  heightMm: length(-50, 50, { usual: 5 }),
  along: axis('x'),
  humps: count(1, 9, { usual: 2 }),
  downward: flag(false),
};

/** Humps along an axis. */
const humps = defineStep({
  kind: 'humps',
  fields: HUMPS,
  group: 'shape',
  act: moves<StepOf<'humps', typeof HUMPS>>({
    map: ([step], { box: { low, high } }) => {
      const k = axisIndex[step.along];
      return {
        usesNormal: false,
        featureMm: (high[k] - low[k]) / (2 * step.humps),
        move: (at, { rest }) => {
          const turns = ((rest[k] - low[k]) / Math.max(1e-9, high[k] - low[k])) * step.humps;
          const share = 1 - Math.abs(2 * (turns - Math.floor(turns)) - 1);
          at[2] += (step.downward ? -1 : 1) * step.heightMm * share;
        },
      };
    },
    canFold: () => false,
    strength: 'heightMm',
  }),
  start: ({ tall }) => ({ heightMm: tall / 10 }),
  flags: { name: 'humps', turn: 2 },
});

/** What a language says of it. */
const WORDS = {
  name: 'Humps',
  sentence: '{humps} {heightMm} high along {along}, {downward}.',
  labels: { heightMm: 'Height of humps', along: 'Which way', humps: 'How many', downward: 'Up or down' },
  choices: { along: { x: 'the line', y: 'the height', z: 'the depth' }, downward: { on: 'down', off: 'up' } },
  units: { humps: (n: number): string => (n === 1 ? 'hump' : 'humps') },
  help: { main: 'height of humps', along: 'along which axis', humps: 'how many', downward: 'downward' },
};

/** Puts it into the one list of steps, and its words into that of the language, before anything else is loaded. */
export async function withNewStep(): Promise<void> {
  const { STEP_LIST } = await import('../steps/list.ts');
  jest.unstable_mockModule('../steps/list.ts', () => ({ STEP_LIST: [...STEP_LIST, humps] }));
  const { STEP_WORDS } = await import('../../../words/src/en/steps/index.ts');
  jest.unstable_mockModule('../../../words/src/en/steps/index.ts', () => ({
    STEP_WORDS: { ...STEP_WORDS, humps: WORDS },
  }));
}
