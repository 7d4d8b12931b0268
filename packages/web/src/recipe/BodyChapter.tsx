import { UnstyledButton } from '@mantine/core';
import { canHold, type FormPiece, FORMS, type FormShape, MODEL, type ModelPiece, TURNED_KNOT } from '@fictile/core';
import { FORM_WORDS } from '@fictile/words';
import { useState } from 'react';
import { choicesOf, ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { recordNodes } from './fields/controls.tsx';
import type { Values } from './fields/fieldNodes.tsx';
import type { OtherPiece } from './PieceChoice.tsx';
import type { EditKey } from './pieceEdits.ts';
import classes from './Recipe.module.css';
import { number, type ChapterProps } from './sentenceParts.tsx';
import { Told } from './Told.tsx';

const T = texts.form;
const L = T.labels;

type FormProps = Omit<ChapterProps, 'piece'> & { piece: FormPiece; others: readonly OtherPiece[] };

type Put = (form: FormShape, key?: EditKey) => void;

/** What stands in the place of words: a form with live values. */
export function FormChapter({ piece, edits, remarks, work, others }: FormProps) {
  const { form } = piece.source;
  const put: Put = (next, key) => edits.form(next, key);
  const values = recordNodes({
    fields: FORMS[form.kind],
    values: form as unknown as Values,
    words: FORM_WORDS[form.kind],
    put: (changed, key) => put({ ...form, ...changed } as FormShape, key),
    tools: { takeBack: edits.takeBack, picked: NONE, readCurve: async () => undefined, others },
  });
  const isTurned = 'knots' in form;
  return (
    <Chapter
      name="words"
      title={T.chapter}
      work={work}
      remarks={<Told chapter="words" remarks={remarks} edits={edits} />}
    >
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
    radius: number(
      'knot radius',
      TURNED_KNOT.radiusMm,
      { label: L.radius, value: knot.radiusMm },
      { take: (radiusMm, key) => set({ radiusMm }, key) },
    ),
    height: number(
      'knot height',
      TURNED_KNOT.heightMm,
      { label: L.height, value: knot.heightMm },
      { take: (heightMm, key) => set({ heightMm }, key) },
    ),
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
export function ModelChapter({ piece, edits, remarks, work }: Omit<ChapterProps, 'piece'> & { piece: ModelPiece }) {
  const { unit, up, scalePercent, closed, format, paint, sides } = piece.source;
  const values = {
    unit: (
      <ChoiceValue
        label={T.unit}
        value={unit}
        choices={choicesOf(T.units)}
        onChange={(next) => edits.model({ unit: next })}
      />
    ),
    up: (
      <ChoiceValue
        label={T.upAxis}
        value={up}
        choices={choicesOf(T.ups)}
        onChange={(next) => edits.model({ up: next })}
      />
    ),
    closed: (
      <ChoiceValue
        label={T.holes}
        value={closed ? 'closed' : 'open'}
        choices={choicesOf(T.closeds)}
        usual="open"
        onChange={(next) => edits.model({ closed: next === 'closed' })}
      />
    ),
    sides: (
      <ChoiceValue
        label={T.sides}
        value={sides}
        choices={choicesOf<typeof sides>(T.sidesNames).filter(
          ({ value }) => value !== 'outward' || sides === 'outward',
        )}
        usual="own"
        onChange={(next) => edits.model({ sides: next })}
      />
    ),
    // only this format has materials within the file
    paint: canHold(format, 'paints') && (
      <Sentence
        template={T.paintEnd}
        values={{
          paint: (
            <ChoiceValue
              label={T.paint}
              value={paint}
              choices={choicesOf(T.paints)}
              usual="own"
              onChange={(next) => edits.model({ paint: next })}
            />
          ),
        }}
      />
    ),
    scale: number(
      'model scale',
      MODEL.scalePercent,
      { label: T.scale, value: scalePercent },
      { take: (next, key) => edits.model({ scalePercent: next }, key) },
    ),
  };
  return (
    <Chapter
      name="words"
      title={T.modelChapter}
      work={work}
      remarks={<Told chapter="words" remarks={remarks} edits={edits} />}
    >
      <Sentence template={T.model} values={values} />
    </Chapter>
  );
}
