import { UnstyledButton } from '@mantine/core';
import {
  canHold,
  type FormPiece,
  FORMS,
  type FormShape,
  MODEL,
  type Model,
  type ModelPiece,
  TURNED_KNOT,
} from '@fictile/core';
import { FORM_WORDS } from '@fictile/words';
import { useState, type ReactNode } from 'react';
import { choicesOf, ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import type { EditKey } from '../ui/index.ts';
import type { PieceEdits } from './pieceEdits.ts';
import { type Values, choiceSlots, numberSlots, recordNodes } from '../fields/index.ts';
import classes from './Recipe.module.css';
import { useRecipe, type Of } from './recipeContext.ts';
import { Told } from './Told.tsx';

const T = texts.form;
const L = T.labels;

type PutForm = (form: FormShape, key?: EditKey) => void;

/** What stands in the place of words: a form with live values. */
export function FormChapter({ piece }: Of<FormPiece>) {
  const { edits, others } = useRecipe();
  const { form } = piece.source;
  const put: PutForm = (next, key) => edits.form(next, key);
  const values = recordNodes({
    fields: FORMS[form.kind],
    values: form as unknown as Values,
    words: FORM_WORDS[form.kind],
    put: (changed, key) => put({ ...form, ...changed } as FormShape, key),
    tools: { takeBack: edits.takeBack, picked: NONE, readCurve: async () => undefined, others },
  });
  const isTurned = 'knots' in form;
  return (
    <Chapter name="words" title={T.chapter} remarks={<Told chapter="words" />}>
      <Sentence
        template={FORM_WORDS[form.kind].sentence}
        values={isTurned ? { ...values, knots: T.knotsCount(form.knots.length) } : values}
      />
      {isTurned && <KnotLine form={form} put={put} />}
    </Chapter>
  );
}

const NONE: readonly number[] = [];

type Turned = Extract<FormShape, { kind: 'turned' }>;

/** The points of a profile, one at a time. */
function KnotLine({ form, put }: { form: Turned; put: (form: FormShape, key?: string) => void }) {
  const [picked, setPicked] = useState(1);
  const at = Math.min(picked, form.knots.length - 1);
  const knot = form.knots[at];
  const set = (values: Partial<typeof knot>, key?: string): void =>
    put({ ...form, knots: form.knots.map((one, i) => (i === at ? { ...one, ...values } : one)) }, key);
  const names = Object.fromEntries(form.knots.map((_, i) => [String(i), T.knotName(i + 1)]));
  const add = (): void => {
    const next = form.knots[Math.min(at + 1, form.knots.length - 1)];
    const between = {
      radiusMm: (knot.radiusMm + next.radiusMm) / 2,
      heightMm: (knot.heightMm + next.heightMm) / 2,
      smooth: true,
    };
    put({ ...form, knots: [...form.knots.slice(0, at + 1), between, ...form.knots.slice(at + 1)] });
    setPicked(at + 1);
  };
  const values = {
    pick: (
      <ChoiceValue
        label={T.knotPick}
        value={String(at)}
        choices={choicesOf<string>(names)}
        onChange={(next) => setPicked(Number(next))}
      />
    ),
    ...numberSlots({ record: knot, put: set }, TURNED_KNOT, {
      radius: ['radiusMm', L.radius],
      height: ['heightMm', L.height],
    }),
    smooth: (
      <ChoiceValue
        label={L.smooth}
        value={knot.smooth ? 'smooth' : 'corner'}
        choices={choicesOf(T.smooths)}
        onChange={(next) => set({ smooth: next === 'smooth' })}
      />
    ),
  };
  return (
    <div>
      <Sentence template={T.knot} values={values} />{' '}
      <UnstyledButton className={classes.unlock} onClick={add}>
        {T.addKnot}
      </UnstyledButton>{' '}
      {form.knots.length > 2 && (
        <UnstyledButton
          className={classes.unlock}
          onClick={() => put({ ...form, knots: form.knots.filter((_, i) => i !== at) })}
        >
          {T.dropKnot}
        </UnstyledButton>
      )}
    </div>
  );
}

/** A mesh from outside. */
export function ModelChapter({ piece }: Of<ModelPiece>) {
  const { edits } = useRecipe();
  const values = {
    ...modelSlots(piece.source, edits.model),
    paint: <PaintEnd model={piece.source} put={edits.model} />,
  };
  return (
    <Chapter name="words" title={T.modelChapter} remarks={<Told chapter="words" />}>
      <Sentence template={T.model} values={values} />
    </Chapter>
  );
}

type PutModel = PieceEdits['model'];

function modelSlots(model: Model, put: PutModel): Record<string, ReactNode> {
  const { closed, sides } = model;
  const held = { record: model, put };
  return {
    ...numberSlots(held, MODEL, { scale: ['scalePercent', T.scale] }),
    ...choiceSlots(held, {
      unit: { label: T.unit, choices: choicesOf(T.units) },
      up: { label: T.upAxis, choices: choicesOf(T.ups) },
      sides: {
        label: T.sides,
        choices: choicesOf<typeof sides>(T.sidesNames).filter(
          ({ value }) => value !== 'outward' || sides === 'outward',
        ),
        usual: 'own',
      },
    }),
    closed: (
      <ChoiceValue
        label={T.holes}
        value={closed ? 'closed' : 'open'}
        choices={choicesOf(T.closeds)}
        usual="open"
        onChange={(next) => put({ closed: next === 'closed' })}
      />
    ),
  };
}

/** Only some formats have materials within the file. */
function PaintEnd({ model, put }: { model: Model; put: PutModel }) {
  if (!canHold(model.format, 'paints')) return null;
  const paint = { label: T.paint, choices: choicesOf(T.paints), usual: 'own' } as const;
  return <Sentence template={T.paintEnd} values={choiceSlots({ record: model, put }, { paint })} />;
}
