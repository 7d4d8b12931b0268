import { counts, flagOf, FORMS, slotsOf, STEPS, type Field } from '@fictile/core';
import { LINES, usualStep, type Fields } from '@fictile/core';
import { FORM_WORDS, LINE_WORDS, WHERE_WORDS, wordsOf, type FieldWords } from './index.ts';
import { stepWords } from './stepWords.ts';

const slotsIn = (template: string): string[] => [...template.matchAll(/\{(\w+)\}/g)].map(([, slot]) => slot);
const slotsOfAll = (fields: Fields): string[] =>
  Object.entries(fields).flatMap(([name, field]) => slotsOf(name, field).map(([slot]) => slot));
const said = ({ is }: Field): boolean => !['data', 'record', 'row'].includes(is);

/** What words lack, or have too much, for fields. */
function faults(fields: Fields, words: FieldWords): string[] {
  const slots = slotsOfAll(fields);
  const templates = [words.sentence, ...Object.values(words.parts ?? {})];
  const strange = [...templates.flatMap(slotsIn), ...Object.keys(words.labels)].filter((slot) => !slots.includes(slot));
  const lacking = Object.entries(fields).flatMap(([name, field]) =>
    slotsOf(name, field)
      .filter(([slot, own]) => said(own) && !words.labels[slot])
      .map(([slot]) => `label of ${slot}`),
  );
  const choices = Object.entries(fields).flatMap(([name, field]) => {
    const values = field.of ?? (field.is === 'flag' ? ['off', 'on'] : undefined);
    const told = Object.keys(words.choices?.[name] ?? {});
    return values && values.toSorted().join() !== told.toSorted().join() ? [`choices of ${name}`] : [];
  });
  return [...strange.map((slot) => `no field ${slot}`), ...lacking, ...choices];
}

describe.each(STEPS.map(({ kind }) => kind))('%s', (kind) => {
  const { fields, flags } = STEPS.find((one) => one.kind === kind)!;
  const words = wordsOf(kind);

  test('has a name, a label for every value, and a name for every choice', () => {
    expect(words.name).toMatch(/^[A-Z]/);
    // places on sides have a choice of their own
    const { place: _place, target: _target, ...own } = fields as Fields;
    expect(
      faults(kind === 'onto' || kind === 'cut' ? { ...own, target: fields.target } : fields, words).filter(
        (one) => one !== 'label of target',
      ),
    ).toEqual([]);
  });

  test('says every value that counts in its sentence', () => {
    if (words.sentence === '') return;
    const usual = usualStep(kind, 'usual') as unknown as Record<string, unknown>;
    const slots = [words.sentence, ...Object.values(words.parts ?? {})].flatMap(slotsIn);
    for (const [name, field] of Object.entries(fields))
      if (field.is !== 'data' && counts(field, usual))
        expect(slots.some((slot) => slot === name || slot.replace(/\d$/, '') === name)).toBe(true);
  });

  test('says what each of its flags is for', () => {
    const named =
      flags === false
        ? []
        : Object.entries(fields).flatMap(([name, field]) =>
            flagOf(name, field) === undefined || field.kinds || field.fields || field.is === 'course' ? [] : [name],
          );
    const main = flags === false ? undefined : (flags.main ?? 'main');
    const lacking = named.filter((name) => name !== main && !words.help?.[name]);
    expect(lacking.length).toBeLessThanOrEqual(flags !== false && !flags.main && !flags.byUnit ? 1 : 0);
    if (flags !== false) expect(words.help?.main).toMatch(/^\S.{5,}/);
  });
});

test('places that steps act in, and lines, have all their words', () => {
  const { where } = STEPS.find(({ kind }) => kind === 'wave')!.fields;
  expect(faults(where.fields ?? {}, { ...WHERE_WORDS, sentence: Object.values(WHERE_WORDS.kinds).join('') })).toEqual(
    [],
  );
  for (const [kind, fields] of Object.entries(LINES)) {
    expect(slotsIn(LINE_WORDS.kinds[kind]).filter((slot) => !slotsOfAll(fields).includes(slot))).toEqual([]);
    expect(LINE_WORDS.choices?.kind).toHaveProperty(kind);
  }
});

test('a sentence with a slot that is no field of the step does not compile', () => {
  // @ts-expect-error there is no slot of that name
  stepWords('quads', { name: '', sentence: '{within}', labels: {} });
  // @ts-expect-error a choice lacks a name
  stepWords('triangles', { name: '', sentence: '{rule}', labels: {}, choices: { rule: { short: '' } } });
  expect(stepWords('quads', { name: 'Q', sentence: '{withinDegrees}', labels: {} }).name).toBe('Q');
});

test.each(Object.keys(FORMS) as (keyof typeof FORMS)[])(
  '%s: every value of the form stands in its sentence, with its names',
  (kind) => {
    const words: FieldWords = FORM_WORDS[kind];
    expect(faults(FORMS[kind], words)).toEqual([]);
    expect([...new Set([words.sentence, ...Object.values(words.parts ?? {})].flatMap(slotsIn))].sort()).toEqual(
      slotsOfAll(FORMS[kind]).sort(),
    );
  },
);
