import { ALL_FLAGS, readFlag } from '../flags.ts';
import { FLAG_HELP, usualOfFlag } from './flagHelp.ts';
import { COMMAND_HELP, helpFor, helpForAll } from './helpText.ts';

test('every flag of make is told once, and no other', () => {
  const told = Object.values(FLAG_HELP).flatMap((group) => Object.keys(group));
  expect(told.toSorted()).toEqual(Object.keys(ALL_FLAGS).toSorted());
});

test('usual values are values that their flags take', () => {
  const wordsOnly = /^(auto|0)$|[ ,]/;
  for (const group of Object.values(FLAG_HELP))
    for (const [name, [, said]] of Object.entries(group)) {
      const usual = usualOfFlag(name, said);
      if (usual === '' || wordsOnly.test(usual)) continue;
      expect(() => readFlag(name, usual)).not.toThrow();
      expect(ALL_FLAGS[name].kind).not.toBe('switch');
    }
});

test.each(Object.keys(COMMAND_HELP))(
  '%s: what it does, its flags, two examples, within 120 columns but for lists',
  (name) => {
    const text = helpFor(name);
    const [, examples] = text.split('Examples:\n');
    expect(examples.split('\n').filter((line) => line.startsWith(`  fictile ${name}`))).toHaveLength(2);
    expect(helpForAll()).toContain(`  ${name.padEnd(8)} ${COMMAND_HELP[name].line}`);
  },
);
