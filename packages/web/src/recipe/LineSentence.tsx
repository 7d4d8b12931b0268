import { FileButton, UnstyledButton } from '@mantine/core';
import { usualCircle, usualCurveLine, WORD_LINES, type Words, type WordsPiece } from '@fictile/core';
import { choicesOf, ChoiceValue, DRAWINGS, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { KnotSentence, PICTURES, number } from '../fields/index.ts';
import classes from './Recipe.module.css';
import type { PieceEdits } from './pieceEdits.ts';
import { useRecipe, type Of } from './recipeContext.ts';

type LineOf<K extends Words['line']['kind']> = Extract<Words['line'], { kind: K }>;
const USUAL = usualCircle();

/** What the words stand on: straight, round a circle, or along a curve. */
export function LineSentence({ piece }: Of<WordsPiece>) {
  const { edits } = useRecipe();
  const { line, sizeMm, graphemes } = piece.source;
  const t = texts.recipe;
  // wide enough for a word or two
  const lineOf = (kind: Words['line']['kind']): Words['line'] => {
    if (kind === 'straight') return { kind };
    if (kind === 'circle') return { ...USUAL, radiusMm: Math.round(sizeMm * 3) };
    return usualCurveLine(Math.round(sizeMm * Math.max(3, graphemes.length * 0.8)));
  };
  const kind = (
    <ChoiceValue
      label={t.line}
      value={line.kind}
      choices={choicesOf(texts.lines, PICTURES.lines)}
      usual="straight"
      onChange={(next) => next !== line.kind && edits.words({ line: lineOf(next) })}
    />
  );
  const values = {
    straight: null,
    circle: line.kind === 'circle' ? <CircleValues line={line} edits={edits} /> : null,
    curve: line.kind === 'curve' ? <CurveValues line={line} edits={edits} /> : null,
  };
  return <Sentence template={t.lineSentence} values={{ line: kind, more: values[line.kind] }} />;
}

interface WordLineProps<K extends Words['line']['kind']> {
  line: LineOf<K>;
  edits: PieceEdits;
}

function CircleValues({ line, edits }: WordLineProps<'circle'>) {
  const t = texts.recipe;
  const put = (values: Partial<LineOf<'circle'>>, key?: string): void =>
    edits.words({ line: { ...line, ...values } }, key);
  const values = {
    radius: number(
      'radius',
      WORD_LINES.circle.radiusMm,
      { label: t.radius, value: line.radiusMm },
      { take: (radiusMm, key) => put({ radiusMm }, key) },
    ),
    side: (
      <ChoiceValue
        label={t.side}
        value={line.side}
        choices={choicesOf(texts.circleSides, PICTURES.sides)}
        usual={USUAL.side}
        onChange={(side) => put({ side })}
      />
    ),
    start: number(
      'start',
      WORD_LINES.circle.startDegrees,
      { label: t.start, value: line.startDegrees },
      { take: (startDegrees, key) => put({ startDegrees }, key) },
    ),
    way: (
      <ChoiceValue
        label={t.way}
        value={line.direction}
        choices={choicesOf(texts.ways, PICTURES.ways)}
        usual={USUAL.direction}
        onChange={(direction) => put({ direction, startDegrees: direction === 'counter' ? 180 : 0 })}
      />
    ),
    spread: number(
      'spread',
      WORD_LINES.circle.spreadDegrees,
      { label: t.spread, value: line.spreadDegrees, zero: t.ownLength },
      { take: (spreadDegrees, key) => put({ spreadDegrees }, key) },
    ),
    stand: (
      <ChoiceValue
        label={t.lettersStand}
        value={line.letters}
        choices={choicesOf(texts.circleLetters, PICTURES.circleLetters)}
        usual={USUAL.letters}
        onChange={(letters) => put({ letters })}
      />
    ),
  };
  return <Sentence template={t.circle} values={values} />;
}

function CurveValues({ line, edits }: WordLineProps<'curve'>) {
  const { readCurve } = useRecipe();
  const t = texts.recipe;
  const put = (values: Partial<LineOf<'curve'>>, key?: string): void =>
    edits.words({ line: { ...line, ...values } }, key);
  const values = {
    shift: number(
      'shift',
      WORD_LINES.curve.shiftMm,
      { label: t.shift, value: line.shiftMm },
      { take: (shiftMm, key) => put({ shiftMm }, key) },
    ),
    spread: (
      <ChoiceValue
        label={t.spread}
        value={line.spread ? 'spread' : 'own'}
        choices={choicesOf(texts.curveSpreads, PICTURES.curveSpreads)}
        usual="own"
        onChange={(next) => put({ spread: next === 'spread' })}
      />
    ),
    stand: (
      <ChoiceValue
        label={t.lettersStand}
        value={line.letters}
        choices={choicesOf(texts.circleLetters, PICTURES.circleLetters)}
        usual="turned"
        onChange={(letters) => put({ letters })}
      />
    ),
    knots: <KnotSentence curve={line.curve} onCurve={(curve, key) => put({ curve }, key)} />,
    file: (
      <FileButton
        accept={DRAWINGS}
        onChange={(file) => file && void readCurve(file).then((curve) => curve && put({ curve }))}
      >
        {(props) => (
          <UnstyledButton {...props} className={classes.unlock}>
            {t.curveFile}
          </UnstyledButton>
        )}
      </FileButton>
    ),
  };
  return <Sentence template={t.curve} values={values} />;
}
