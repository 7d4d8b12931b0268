import { newPiece, SLOTS, type Edge, type Piece, type Remark, type ShownPiece, type Slot } from '@fictile/core';
import { useQuery } from '@tanstack/react-query';
import { useLayoutEffect, useMemo, useRef } from 'react';
import { api } from '../api/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { ChoiceValue, NumberValue, Sentence, type Choice, type NumberValueProps } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { EdgePicture } from './edgePictures.tsx';
import { FinishValue } from './FinishValue.tsx';
import { pieceEdits, type PieceEdits } from './pieceEdits.ts';
import classes from './Recipe.module.css';
import { Told } from './Told.tsx';

interface RecipeProps {
  piece: Piece;
  store: ProjectStore;
  /** as built; undefined while nothing is */
  shown: ShownPiece | undefined;
  milliseconds: number;
}

const USUAL = newPiece('usual', '', []);

interface ChapterProps {
  piece: Piece;
  edits: PieceEdits;
  remarks: readonly Remark[];
}

/** How a piece is made, as sentences with live values. */
export function Recipe({ piece, store, shown, milliseconds }: RecipeProps) {
  const edits = useMemo(() => pieceEdits(store, piece), [store, piece]);
  const common: ChapterProps = { piece, edits, remarks: shown?.remarks ?? [] };
  return (
    <>
      <WordsChapter {...common} />
      <SolidChapter {...common} />
      <FacesChapter
        {...common}
        figures={shown && shown.faces > 0 ? texts.recipe.built(shown.faces, milliseconds) : undefined}
      />
      <FinishChapter {...common} />
      <PlaceChapter {...common} />
    </>
  );
}

type Take = (value: number, key: string | undefined) => void;

/** A number value whose drags and arrow keys join under its name. */
function number(name: string, rest: Omit<NumberValueProps, 'onChange'>, take: Take) {
  return <NumberValue {...rest} onChange={(value, isDrag) => take(value, isDrag ? name : undefined)} />;
}

const choicesOf = <T extends string>(labels: Readonly<Record<T, string>>): Choice<T>[] =>
  (Object.entries(labels) as [T, string][]).map(([value, label]) => ({ value, label }));

function WordsChapter({ piece, edits, remarks }: ChapterProps) {
  const words = piece.source;
  const usual = USUAL.source;
  const t = texts.recipe;
  const values = {
    font: <FontValue piece={piece} edits={edits} />,
    size: number('size', { label: t.size, value: words.sizeMm, kind: 'length', unit: 'mm', min: 0.1, max: 10_000, step: 1, usual: usual.sizeMm }, (sizeMm, key) => edits.words({ sizeMm }, key)),
    align: <ChoiceValue label={t.lines} value={words.align} choices={choicesOf(texts.aligns)} usual={usual.align} onChange={(align) => edits.words({ align })} />,
    tracking: number('tracking', { label: t.tracking, value: words.tracking, kind: 'plain', unit: '', min: -500, max: 5000, step: 5, usual: usual.tracking }, (tracking, key) => edits.words({ tracking }, key)),
  }; // prettier-ignore
  return (
    <Chapter
      number={1}
      title={texts.chapters.words}
      figures={texts.recipe.letters(words.graphemes.filter((g) => g.text.trim() !== '').length)}
      remarks={<Told chapter="words" remarks={remarks} edits={edits} piece={piece} />}
      more={<MoreWords piece={piece} edits={edits} />}
    >
      <WordsField text={words.graphemes.map((g) => g.text).join('')} onText={edits.retype} />
      <Sentence template={t.words} values={values} />
    </Chapter>
  );
}

/** The words themselves; grows with its lines. */
function WordsField({ text, onText }: { text: string; onText: (text: string) => void }) {
  const field = useRef<HTMLTextAreaElement>(null);
  useLayoutEffect(() => {
    const area = field.current;
    if (!area) return;
    area.style.height = 'auto';
    area.style.height = `${Math.min(area.scrollHeight + 2, 180)}px`;
  }, [text]);
  return (
    <textarea
      ref={field}
      className={classes.words}
      aria-label={texts.chapters.words}
      rows={1}
      spellCheck={false}
      value={text}
      onChange={(event) => onText(event.currentTarget.value)}
    />
  );
}

function MoreWords({ piece, edits }: Omit<ChapterProps, 'remarks'>) {
  const words = piece.source;
  const usual = USUAL.source;
  const t = texts.recipe;
  const values = {
    leading: number('leading', { label: t.leading, value: words.leadingPercent, kind: 'plain', unit: '%', min: 10, max: 1000, step: 5, usual: usual.leadingPercent }, (leadingPercent, key) => edits.words({ leadingPercent }, key)),
    anchor: <ChoiceValue label={t.anchor} value={words.anchor} choices={choicesOf(texts.anchors)} usual={usual.anchor} onChange={(anchor) => edits.words({ anchor })} />,
    depthAnchor: <ChoiceValue label={t.depthAnchor} value={words.depthAnchor} choices={choicesOf(texts.depthAnchors)} usual={usual.depthAnchor} onChange={(depthAnchor) => edits.words({ depthAnchor })} />,
    kerning: <ChoiceValue label={t.kerning} value={words.kerning ? 'on' : 'off'} choices={choicesOf(texts.switches)} usual="on" onChange={(value) => edits.words({ kerning: value === 'on' })} />,
    letters: <ChoiceValue label={t.touching} value={words.letters} choices={choicesOf(texts.lettersModes)} usual={usual.letters} onChange={(letters) => edits.words({ letters })} />,
    direction: <ChoiceValue label={t.direction} value={words.direction} choices={choicesOf(texts.directions)} usual={usual.direction} onChange={(direction) => edits.words({ direction })} />,
  }; // prettier-ignore
  return <Sentence template={t.moreWords} values={values} />;
}

function FontValue({ piece, edits }: Omit<ChapterProps, 'remarks'>) {
  const fonts = useQuery({ queryKey: ['fonts'], queryFn: api.listFonts, staleTime: Infinity });
  const { family, weight } = piece.source.font;
  const styles = (fonts.data ?? []).flatMap((f) =>
    f.styles.map((s) => ({ value: `${f.family}|${s.weight}`, label: `${f.family} ${s.name}` })),
  );
  return (
    <ChoiceValue
      label={texts.recipe.font}
      value={`${family}|${weight}`}
      choices={styles}
      shown={styles.find((s) => s.value === `${family}|${weight}`)?.label ?? family}
      onChange={(value) => {
        const [name, heavy] = value.split('|');
        edits.words({ font: { family: name, weight: Number(heavy), italic: false, axes: {} } });
      }}
    />
  );
}

function SolidChapter({ piece, edits, remarks }: ChapterProps) {
  const { solid } = piece.body;
  const usual = USUAL.body.solid;
  const t = texts.recipe;
  const kinds = (Object.entries(texts.kinds) as [Edge['kind'], string][]).map(([value, label]) => ({
    value,
    label,
    picture: <EdgePicture kind={value} />,
  }));
  const values = {
    depth: number('depth', { label: t.depth, value: solid.depthMm, kind: 'length', unit: 'mm', min: 0, max: 10_000, step: 1, usual: usual.depthMm }, (depthMm, key) => edits.solid({ depthMm }, key)),
    front: <ChoiceValue label={t.frontEdge} value={solid.front.kind} choices={kinds} usual={usual.front.kind} onChange={(kind) => edits.edge('front', { kind })} />,
    frontSizes: <EdgeSizes side="front" edge={solid.front} edits={edits} />,
    back: <ChoiceValue<Edge['kind'] | 'same'> label={t.backEdge} value={solid.backAsFront ? 'same' : solid.back.kind} choices={[...kinds, { value: 'same', label: t.asFront }]} usual={usual.back.kind} onChange={(kind) => (kind === 'same' ? edits.solid({ backAsFront: true }) : edits.solid({ backAsFront: false, back: { ...solid.back, kind } }))} />,
    backSizes: solid.backAsFront ? null : <EdgeSizes side="back" edge={solid.back} edits={edits} />,
  }; // prettier-ignore
  return (
    <Chapter
      number={2}
      title={texts.chapters.solid}
      remarks={<Told chapter="solid" remarks={remarks} edits={edits} piece={piece} />}
    >
      <Sentence template={t.solid} values={values} />
    </Chapter>
  );
}

function EdgeSizes({ side, edge, edits }: { side: 'front' | 'back'; edge: Edge; edits: PieceEdits }) {
  if (edge.kind === 'plain') return null;
  const usual = USUAL.body.solid[side];
  const t = texts.recipe;
  const name = (part: string): string => `${side === 'front' ? t.frontEdge : t.backEdge}, ${part}`;
  const length = { kind: 'length', unit: 'mm', min: 0, max: 1000, step: 0.5 } as const;
  const values = {
    in: number('in', { ...length, label: name(t.edgeIn), value: edge.inMm, usual: usual.inMm }, (inMm, key) => edits.edge(side, { inMm }, key)),
    deep: number('deep', { ...length, label: name(t.edgeDeep), value: edge.deepMm, usual: usual.deepMm }, (deepMm, key) => edits.edge(side, { deepMm }, key)),
    steps: number('steps', { label: name(t.edgeSteps), value: edge.steps, kind: 'plain', unit: '', min: 1, max: 64, step: 1, whole: true, usual: usual.steps }, (steps, key) => edits.edge(side, { steps }, key)),
  }; // prettier-ignore
  return <Sentence template={edge.kind === 'round' ? t.roundSizes : t.edgeSizes} values={values} />;
}

function FacesChapter({ piece, edits, remarks, figures }: ChapterProps & { figures: string | undefined }) {
  const { faces } = piece.body;
  const tolerance = number('tolerance', { label: texts.recipe.tolerance, value: faces.toleranceMm, kind: 'length', unit: 'mm', min: 0.0005, max: 10, step: 0.01, usual: USUAL.body.faces.toleranceMm }, (toleranceMm, key) => edits.faces({ toleranceMm }, key)); // prettier-ignore
  return (
    <Chapter
      number={3}
      title={texts.chapters.faces}
      figures={figures}
      remarks={<Told chapter="faces" remarks={remarks} edits={edits} piece={piece} />}
    >
      <Sentence template={texts.recipe.faces} values={{ tolerance }} />
    </Chapter>
  );
}

function FinishChapter({ piece, edits }: ChapterProps) {
  const values = Object.fromEntries(
    SLOTS.map((slot: Slot) => [slot, <FinishValue key={slot} slot={slot} finish={piece.slots[slot]} edits={edits} />]),
  );
  return (
    <Chapter number={4} title={texts.chapters.finish}>
      <Sentence template={texts.recipe.finish} values={values} />
    </Chapter>
  );
}

function PlaceChapter({ piece, edits }: ChapterProps) {
  const { placement } = piece;
  const t = texts.recipe;
  const put = (field: 'atMm' | 'turnDegrees', k: number) => (value: number, key: string | undefined) => {
    const next: [number, number, number] = [...placement[field]];
    next[k] = value;
    edits.placement({ [field]: next }, key);
  };
  const at = (k: number) => number(`at${k}`, { label: t.at[k], value: placement.atMm[k], kind: 'length', unit: 'mm', min: -100_000, max: 100_000, step: 1, usual: 0 }, put('atMm', k)); // prettier-ignore
  const turn = (k: number) => number(`turn${k}`, { label: t.turn[k], value: placement.turnDegrees[k], kind: 'angle', unit: '°', min: -3600, max: 3600, step: 1, usual: 0 }, put('turnDegrees', k)); // prettier-ignore
  const values = {
    stand: <ChoiceValue label={t.stands} value={placement.stand} choices={choicesOf(texts.stands)} usual="free" onChange={(stand) => edits.placement({ stand })} />,
    x: at(0), y: at(1), z: at(2), tilt: turn(0), turn: turn(1), lean: turn(2),
  }; // prettier-ignore
  return (
    <Chapter number={5} title={texts.chapters.place} more={<Sentence template={t.morePlace} values={values} />}>
      <Sentence template={t.place} values={values} />
    </Chapter>
  );
}
