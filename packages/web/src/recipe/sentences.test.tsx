/** @jest-environment jsdom */
import { counts, STEPS, usualStep, type Field, type Step, type StepKind } from '@fictile/core';
import { wordsOf } from '@fictile/words';
import { stepNodes } from '../fields/index.ts';
import { renderInside } from '../testing/render.tsx';
import { Sentence } from '../ui/index.ts';

// Every sentence of a step with every choice filled in, as it is read: no gaps, no doubled marks, whole sentences.

type Values = Record<string, unknown>;

/** The values that a field can choose between; a single one of any other. */
function choicesOf(field: Field): readonly unknown[] {
  if (field.is === 'choice') return field.of ?? [field.usual];
  return field.is === 'flag' ? [true, false] : [field.usual];
}

/** Each choice in turn with all of those that count beside it; more than this of one kind says nothing new. */
const MOST = 96;

function combinations(kind: StepKind): Step[] {
  const { fields } = STEPS.find((one) => one.kind === kind) as { fields: Record<string, Field> };
  let rows: Values[] = [{ ...usualStep(kind, 'a') }];
  for (const [name, field] of Object.entries(fields)) {
    rows = rows.flatMap((row) =>
      counts(field, row) ? choicesOf(field).map((value) => ({ ...row, [name]: value })) : [row],
    );
    if (rows.length > MOST) rows = rows.filter((_, i) => i % Math.ceil(rows.length / MOST) === 0);
  }
  return rows as unknown as Step[];
}

function Sentences({ steps }: { steps: readonly Step[] }) {
  const tools = { takeBack: () => undefined, picked: [], readCurve: async () => undefined, others: [] };
  return steps.map((step, i) => (
    <p key={i}>
      <Sentence template={wordsOf(step.kind).sentence} values={stepNodes(step, () => undefined, tools)} />
    </p>
  ));
}

function textsOf(steps: readonly Step[]): string[] {
  const { container } = renderInside(<Sentences steps={steps} />);
  const texts = [...container.querySelectorAll('p')].map(({ textContent }) => textContent);
  return [...new Set(texts)].map((text) => text.replace(/\u2060/g, '').replace(/\u00a0/g, ' '));
}

const KINDS = STEPS.filter(({ kind }) => kind !== 'cut' && kind !== 'onto').map(({ kind }) => kind);

test.each(KINDS)('%s reads well whatever is chosen', async (kind) => {
  const texts = textsOf(combinations(kind));
  expect(texts.length).toBeGreaterThan(0);
  for (const text of texts) {
    expect(text).toMatch(/^[A-Z].*\.$/);
    expect(text).not.toMatch(/ {2}| [.,;:]|[.,;:]{2}|undefined|NaN|\{|\(\)/);
  }
});
