import {
  isWire,
  coloursOf,
  type Edge,
  EDGE,
  fieldAt,
  isOfWords,
  isPlain,
  isWords,
  type LetteringPiece,
  OWN_LETTER,
  type OwnLetter,
  SOLID,
  usualOwn,
} from '@fictile/core';
import { UnstyledButton } from '@mantine/core';
import { choicesOf, ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { FinishChoice } from './FinishValue.tsx';
import { FontChoice } from './FontValue.tsx';
import type { EditKey } from '../ui/index.ts';
import type { PieceEdits } from './pieceEdits.ts';
import { PICTURES, number } from '../fields/index.ts';
import classes from './Recipe.module.css';
import { useRecipe, type Of } from './recipeContext.ts';
import { EdgeKind } from './solid/EdgeSentence.tsx';

const USUAL = usualOwn();

interface OwnProps {
  piece: LetteringPiece;
  edits: PieceEdits;
  picked: readonly number[];
}

/** What is said of the letters or colours that are picked; with none picked, how many stand apart. */
export function OwnSentence({ piece }: Of<LetteringPiece>) {
  const { edits, picked } = useRecipe();
  const { own } = piece.source;
  const t = texts.recipe;
  const all = Object.keys(own).map(Number);
  const isDrawing = !isWords(piece);
  if (picked.length === 0) {
    if (all.length === 0 || isDrawing) return null;
    return (
      <div className={classes.own}>
        {t.ownCount(all.length)} <Reset label={t.resetAll} onReset={() => edits.own(all, null)} />
      </div>
    );
  }
  const first = own[picked[0]] ?? USUAL;
  const values = { letters: <b>{namesOf(piece, picked)}</b>, ...ownValues({ piece, edits, picked }, first) };
  return (
    <div className={classes.own}>
      <Sentence template={isDrawing ? t.ownColour : t.own} values={values} />{' '}
      <Reset label={isDrawing ? t.resetColour : t.reset} onReset={() => edits.own(picked, null)} />
    </div>
  );
}

function namesOf({ source }: LetteringPiece, picked: readonly number[]): string {
  if (isOfWords(source))
    return source.graphemes
      .filter((g) => picked.includes(g.id))
      .map((g) => g.text)
      .join('');
  return coloursOf(source.shape)
    .filter((c) => picked.includes(c.id))
    .map((c) => c.name)
    .join(', ');
}

function ownValues({ piece, edits, picked }: OwnProps, first: OwnLetter) {
  const t = texts.recipe;
  const put = (values: Partial<OwnLetter>, key?: EditKey): void =>
    edits.own(picked, values, typeof key === 'string' ? `${key} ${picked.join(' ')}` : key);
  const [x, y] = first.moveMm;
  return {
    x: number(
      'own x',
      fieldAt(OWN_LETTER, ['moveMm', 0]),
      { label: t.ownAcross, value: x },
      { take: (next, key) => put({ moveMm: [next, y] }, key) },
    ),
    y: number(
      'own y',
      fieldAt(OWN_LETTER, ['moveMm', 1]),
      { label: t.ownUp, value: y },
      { take: (next, key) => put({ moveMm: [x, next] }, key) },
    ),
    turn: number(
      'own turn',
      OWN_LETTER.turnDegrees,
      { label: t.ownTurn, value: first.turnDegrees },
      { take: (turnDegrees, key) => put({ turnDegrees }, key) },
    ),
    scale: number(
      'own scale',
      OWN_LETTER.scalePercent,
      { label: t.ownScale, value: first.scalePercent },
      { take: (scalePercent, key) => put({ scalePercent }, key) },
    ),
    font: isWords(piece) ? (
      <FontChoice
        label={t.ownFont}
        font={first.font ?? piece.source.font}
        onFont={(font, key) => put({ font }, key)}
        takeBack={edits.takeBack}
      />
    ) : null,
    finish: (
      <FinishChoice
        label={t.ownFinish}
        finish={first.finish}
        none={t.asPiece}
        onFinish={(values, key) => put({ finish: { ...(first.finish ?? piece.slots.front), ...values } }, key)}
        onNone={() => put({ finish: null })}
      />
    ),
    solid: <OwnSolid piece={piece} first={first} put={put} takeBack={edits.takeBack} />,
    seen: (
      <ChoiceValue
        label={t.ownSeen}
        value={first.leftOut ? 'out' : 'in'}
        choices={choicesOf(texts.ownSeen, PICTURES.ownSeen)}
        usual="in"
        onChange={(next) => put({ leftOut: next === 'out' })}
      />
    ),
  };
}

interface OwnSolidProps {
  takeBack: PieceEdits['takeBack'];
  piece: LetteringPiece;
  first: OwnLetter;
  put: (values: Partial<OwnLetter>, key?: EditKey) => void;
}

/** Depth and front edge of their own: then these letters stand apart from their neighbours. */
function OwnSolid({ piece, first, put, takeBack }: OwnSolidProps) {
  const t = texts.recipe;
  if (isWire(piece.source.contour)) return <>{t.ownSolidWire}</>;
  const { depthMm, front } = first.solid ?? piece.body.solid;
  const set = (values: Partial<NonNullable<OwnLetter['solid']>>, key?: EditKey): void =>
    put({ solid: { depthMm, front, ...values } }, key);
  const edge = (values: Partial<Edge>, key?: EditKey): void => set({ front: { ...front, ...values } }, key);
  const sizes = {
    in: number(
      'own in',
      EDGE.inMm,
      { label: `${t.ownEdge}, ${t.edgeIn}`, value: front.inMm },
      { take: (inMm, key) => edge({ inMm }, key) },
    ),
    deep: number(
      'own deep',
      EDGE.deepMm,
      { label: `${t.ownEdge}, ${t.edgeDeep}`, value: front.deepMm },
      { take: (deepMm, key) => edge({ deepMm }, key) },
    ),
  };
  const values = {
    depth: number(
      'own depth',
      SOLID.depthMm,
      { label: t.ownDepth, value: depthMm, usual: piece.body.solid.depthMm },
      { take: (next, key) => set({ depthMm: next }, key) },
    ),
    edge: (
      <EdgeKind label={t.ownEdge} edge={front} usual={piece.body.solid.front.kind} put={edge} takeBack={takeBack} />
    ),
    sizes: first.solid && !isPlain(front) ? <Sentence template={t.edgeSizes} values={sizes} /> : null,
  };
  return (
    <>
      <Sentence template={t.ownSolid} values={values} />
      {first.solid && (
        <>
          {' ('}
          <Reset label={t.ownSolidBack} onReset={() => put({ solid: null })} />)
        </>
      )}
    </>
  );
}

const Reset = ({ label, onReset }: { label: string; onReset: () => void }) => (
  <UnstyledButton className={classes.unlock} onClick={onReset}>
    {label}
  </UnstyledButton>
);
