import { UnstyledButton } from '@mantine/core';
import {
  canHold,
  type FormPiece,
  fieldAt,
  FORMS,
  type FormShape,
  MODEL,
  type ModelPiece,
  type Piece,
  type ShownPiece,
  type Step,
  TURNED_KNOT,
  usualForms,
} from '@fictile/core';
import { useState } from 'react';
import { choicesOf, ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import classes from './Recipe.module.css';
import { number, type ChapterProps } from './sentenceParts.tsx';
import { Told } from './Told.tsx';

const T = texts.form;
const L = T.labels;

/** Another piece, as others see it. */
export interface OtherPiece {
  id: string;
  name: string;
  /** a form or a model */
  isBody: boolean;
  kind: Piece['source']['kind'];
  /** around it before its steps, in its own space; undefined while it is not built */
  flat: ShownPiece['flat'];
  steps: readonly Step[];
  /** how it lies on another piece, as it was built last */
  onto?: ShownPiece['onto'];
}

type FormProps = Omit<ChapterProps, 'piece'> & { piece: FormPiece; others: readonly OtherPiece[] };

/** What stands in the place of words: a form with live values. */
export function FormChapter({ piece, edits, remarks, work, others }: FormProps) {
  const { form } = piece.source;
  return (
    <Chapter name="words" title={T.chapter} work={work} remarks={<Told chapter="words" remarks={remarks} edits={edits} />}>
      <Sentence template={T.sentences[form.kind]} values={valuesOf(form, (next, key) => edits.form(next, key), others)} />
      {form.kind === 'turned' && <KnotLine form={form} put={(next) => edits.form(next)} />}
    </Chapter>
  );
} // prettier-ignore

type Put = (form: FormShape, key?: string) => void;
type Loose = Record<string, unknown>;

function valuesOf(form: FormShape, put: Put, others: readonly OtherPiece[]) {
  const own = form as unknown as Record<string, number>;
  const usual = Object.values(usualForms()).find(({ kind }) => kind === form.kind) as unknown as Record<string, number>;
  const set = (values: Loose, key?: string): void => put({ ...form, ...values } as FormShape, key);
  const mm = (field: string, label: string, zero?: string) =>
    field in form ? number(field, fieldAt(FORMS[form.kind], [field]), { label, value: own[field], usual: usual[field], zero }, (value, key) => set({ [field]: value }, key)) : null;
  return {
    width: mm('widthMm', L.width),
    height: mm('heightMm', L.height),
    depth: mm('depthMm', L.depth),
    radius: mm('radiusMm', L.radius),
    thick: mm('thickMm', L.thick),
    rise: mm('riseMm', L.rise),
    across: mm('acrossMm', L.across),
    up: mm('upMm', L.up),
    margin: mm('marginMm', L.margin),
    corner: mm('cornerMm', L.corner),
    wall: mm('wallMm', L.wall, T.full),
    knots: form.kind === 'turned' ? T.knotsCount(form.knots.length) : null,
    turns: form.kind === 'coil' ? number('turns', FORMS.coil.turns, { label: L.turns, value: form.turns, unit: T.turnsUnit(form.turns) }, (turns, key) => set({ turns }, key)) : null,
    taper: form.kind === 'block' ? number('taper', FORMS.block.taperPercent, { label: L.taper, value: form.taperPercent }, (taperPercent, key) => set({ taperPercent }, key)) : null,
    edge: form.kind === 'block' ? <ChoiceValue label={L.edge} value={form.edge} choices={choicesOf(T.edges)} usual="round" onChange={(edge) => set({ edge })} /> : null,
    edgeSize: form.kind === 'block' && form.edge !== 'plain' ? <Sentence template={T.edgeSize} values={{ size: mm('edgeMm', L.edgeSize) }} /> : null,
    around: form.kind === 'panel' ? <PieceChoice label={L.around} value={form.around} others={others} onChange={(around) => set({ around })} /> : null,
  };
} // prettier-ignore

/** One of the other pieces of the project. */
export function PieceChoice({ label, value, others, onChange }: { label: string; value: string; others: readonly OtherPiece[]; onChange: (id: string) => void }) {
  const names = Object.fromEntries(others.map(({ id, name }) => [id, name || texts.pieces.newWords]));
  return <ChoiceValue label={label} value={value} choices={choicesOf<string>(value in names ? names : { [value]: T.nobody, ...names })} onChange={onChange} />;
} // prettier-ignore

type Turned = Extract<FormShape, { kind: 'turned' }>;

/** The points of a profile, one at a time. */
function KnotLine({ form, put }: { form: Turned; put: (form: FormShape, key?: string) => void }) {
  const [picked, setPicked] = useState(1);
  const at = Math.min(picked, form.knots.length - 1);
  const knot = form.knots[at];
  const set = (values: Partial<typeof knot>, key?: string): void => put({ ...form, knots: form.knots.map((one, i) => (i === at ? { ...one, ...values } : one)) }, key);
  const names = Object.fromEntries(form.knots.map((_, i) => [String(i), T.knotName(i + 1)]));
  const add = (): void => {
    const next = form.knots[Math.min(at + 1, form.knots.length - 1)];
    const between = { radiusMm: (knot.radiusMm + next.radiusMm) / 2, heightMm: (knot.heightMm + next.heightMm) / 2, smooth: true };
    put({ ...form, knots: [...form.knots.slice(0, at + 1), between, ...form.knots.slice(at + 1)] });
    setPicked(at + 1);
  };
  const values = {
    pick: <ChoiceValue label={T.knotPick} value={String(at)} choices={choicesOf<string>(names)} onChange={(next) => setPicked(Number(next))} />,
    radius: number('knot radius', TURNED_KNOT.radiusMm, { label: L.radius, value: knot.radiusMm }, (radiusMm, key) => set({ radiusMm }, key)),
    height: number('knot height', TURNED_KNOT.heightMm, { label: L.height, value: knot.heightMm }, (heightMm, key) => set({ heightMm }, key)),
    smooth: <ChoiceValue label={L.smooth} value={knot.smooth ? 'smooth' : 'corner'} choices={choicesOf(T.smooths)} onChange={(next) => set({ smooth: next === 'smooth' })} />,
  };
  return (
    <div>
      <Sentence template={T.knot} values={values} />{' '}
      <UnstyledButton className={classes.unlock} onClick={add}>{T.addKnot}</UnstyledButton>{' '}
      {form.knots.length > 2 && <UnstyledButton className={classes.unlock} onClick={() => put({ ...form, knots: form.knots.filter((_, i) => i !== at) })}>{T.dropKnot}</UnstyledButton>}
    </div>
  );
} // prettier-ignore

/** A mesh from outside. */
export function ModelChapter({ piece, edits, remarks, work }: Omit<ChapterProps, 'piece'> & { piece: ModelPiece }) {
  const { unit, up, scalePercent, closed, format, paint, sides } = piece.source;
  const values = {
    unit: <ChoiceValue label={T.unit} value={unit} choices={choicesOf(T.units)} onChange={(next) => edits.model({ unit: next })} />,
    up: <ChoiceValue label={T.upAxis} value={up} choices={choicesOf(T.ups)} onChange={(next) => edits.model({ up: next })} />,
    closed: <ChoiceValue label={T.holes} value={closed ? 'closed' : 'open'} choices={choicesOf(T.closeds)} usual="open" onChange={(next) => edits.model({ closed: next === 'closed' })} />,
    sides: <ChoiceValue label={T.sides} value={sides} choices={choicesOf<typeof sides>(T.sidesNames).filter(({ value }) => value !== 'outward' || sides === 'outward')} usual="own" onChange={(next) => edits.model({ sides: next })} />,
    // only this format has materials within the file
    paint: canHold(format, 'paints') && <Sentence template={T.paintEnd} values={{ paint: <ChoiceValue label={T.paint} value={paint} choices={choicesOf(T.paints)} usual="own" onChange={(next) => edits.model({ paint: next })} /> }} />,
    scale: number('model scale', MODEL.scalePercent, { label: T.scale, value: scalePercent }, (next, key) => edits.model({ scalePercent: next }, key)),
  };
  return (
    <Chapter name="words" title={T.modelChapter} work={work} remarks={<Told chapter="words" remarks={remarks} edits={edits} />}>
      <Sentence template={T.model} values={values} />
    </Chapter>
  );
} // prettier-ignore
