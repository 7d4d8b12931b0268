/** @jest-environment jsdom */
import {
  counts,
  STEPS,
  usualStep,
  type CutStep,
  type Field,
  type OntoStep,
  type Step,
  type StepKind,
} from '@fictile/core';
import { wordsOf } from '@fictile/words';
import { stepNodes, type OtherPiece } from '../fields/index.ts';
import { renderInside } from '../testing/render.tsx';
import { Sentence } from '../ui/index.ts';
import type { PieceEdits } from './pieceEdits.ts';
import { FRONT, type Standing } from './put/putParts.ts';
import { PutSentence } from './put/PutSentence.tsx';

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

const readable = (text: string): string => text.replace(/\u2060/g, '').replace(/\s+/g, ' ');

function textsOf(steps: readonly Step[]): string[] {
  const { container } = renderInside(<Sentences steps={steps} />);
  return [...new Set([...container.querySelectorAll('p')].map(({ textContent }) => readable(textContent)))];
}

/** No gaps, no doubled marks, nothing unfilled. */
function expectWhole(text: string): void {
  expect(text).toMatch(/^[A-Z].*\.$/);
  expect(text).not.toMatch(/ {2}| [.,;:]|[.,;:]{2}|undefined|NaN|\{|\(\)/);
}

const KINDS = STEPS.filter(({ kind }) => kind !== 'cut' && kind !== 'onto').map(({ kind }) => kind);

test.each(KINDS)('%s reads well whatever is chosen', async (kind) => {
  const texts = textsOf(combinations(kind));
  expect(texts.length).toBeGreaterThan(0);
  texts.forEach(expectWhole);
});

const other = (id: string, kind: OtherPiece['kind']): OtherPiece => ({
  id,
  name: id === 'jug' ? 'Jug' : 'Title',
  isBody: kind === 'form',
  kind,
  flat: undefined,
  steps: [],
});

/** Every way of putting beside every way of laying: each of either at least once. */
function standings(kind: OtherPiece['kind']): Standing[] {
  const [cuts, ontos] = [combinations('cut') as CutStep[], combinations('onto') as OntoStep[]];
  const turned = ontos.flatMap((onto) => [onto, { ...onto, turnDegrees: 30, place: FRONT }]);
  const common = { piece: other('words', kind), body: other('jug', 'form') };
  return [
    ...cuts.map((cut, i) => ({ ...common, cut, onto: turned[i % turned.length] })),
    ...turned.map((onto, i) => ({ ...common, cut: cuts[(7 * i) % cuts.length], onto })),
    ...cuts.filter((_, i) => i % 4 === 0).map((cut) => ({ ...common, cut, onto: undefined })),
  ];
}

test.each(['words', 'form'] as const)('what comes of %s on a body reads well, on both recipes', (kind) => {
  const edits = { takeBack: () => undefined } as unknown as PieceEdits;
  for (const side of ['piece', 'body'] as const) {
    const { container, unmount } = renderInside(
      standings(kind).map((standing, i) => (
        <section key={i}>
          <PutSentence
            standing={standing}
            side={side}
            kind={kind}
            edits={edits}
            others={[other('jug', 'form'), other('words', kind)]}
            picked={[]}
          />
        </section>
      )),
    );
    for (const section of container.querySelectorAll('section')) {
      const fold = section.querySelector('[data-fold]');
      const more = readable(fold?.firstElementChild?.textContent ?? '').trim();
      fold?.remove();
      expectWhole(readable(section.textContent).trim());
      if (more !== '') expectWhole(more);
    }
    unmount();
  }
});
