import { type Faces, FACES, isLettering, isModel, isShapeStep, type Piece, type RemarkCode } from '@fictile/core';
import { choicesOf, ChoiceValue, Sentence, useTrial } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { PICTURES, number } from '../fields/index.ts';
import classes from './Recipe.module.css';
import type { PieceEdits } from './pieceEdits.ts';
import { useRecipe, type Of } from './recipeContext.ts';
import { Told } from './Told.tsx';

const T = texts.recipe;

export function FacesChapter({ piece }: Of<Piece>) {
  const { edits, remarks, shown, milliseconds } = useRecipe();
  const need = shown?.need;
  const { faces } = piece.body;
  const support = number(
    'support',
    FACES.supportMm,
    { label: T.support, value: faces.supportMm, zero: T.supportNone },
    { take: (supportMm, key) => edits.faces({ supportMm }, key) },
  );
  return (
    <Chapter
      name="faces"
      figures={shown && shown.bodyFaces > 0 ? T.built(shown.bodyFaces, milliseconds) : undefined}
      remarks={<Told chapter="faces" />}
      more={isLettering(piece) && <Sentence template={T.supportLoops} values={{ support }} />}
    >
      {(!isModel(piece) || (piece.steps.some(isShapeStep) && faces.shaped === 'fine')) && (
        <Sentence
          template={isLettering(piece) ? T.faces[faces.style] : T.facesBody}
          values={faceValues(faces, edits)}
        />
      )}{' '}
      {piece.steps.some(isShapeStep) && (
        <Sentence
          template={T.facesShaped}
          values={{ shaped: <ShapedValue label={T.facesShapedLabel} shaped={faces.shaped} edits={edits} /> }}
        />
      )}
      {need && !remarks.some(({ code }) => SHORT_OF_NEED.has(code)) && <NeedLine needMm={need.needMm} />}
    </Chapter>
  );
}

const SHORT_OF_NEED: ReadonlySet<RemarkCode> = new Set(['NEED_FINER', 'NEED_OVER_BUDGET']);

/** What the shape asks of the faces, where they have it; a remark tells where they have not. */
function NeedLine({ needMm }: { needMm: number }) {
  return <div className={classes.need}>{T.shapeNeedMet(`${Number(needMm.toPrecision(2))} mm`)}</div>;
}

function faceValues(faces: Faces, edits: PieceEdits) {
  return {
    style: <FaceStyleValue label={T.faceStyle} style={faces.style} edits={edits} />,
    tolerance: number(
      'tolerance',
      FACES.toleranceMm,
      { label: T.tolerance, value: faces.toleranceMm },
      { take: (toleranceMm, key) => edits.faces({ toleranceMm }, key) },
    ),
    bands: number(
      'bands',
      FACES.bands,
      { label: T.bands, value: faces.bands, unit: T.bandsUnit(faces.bands) },
      { take: (bands, key) => edits.faces({ bands }, key) },
    ),
    axis: (
      <ChoiceValue
        label={T.bandsAxis}
        value={faces.bandsAxis}
        choices={choicesOf(texts.bandAxes)}
        usual="x"
        onChange={(bandsAxis) => edits.faces({ bandsAxis })}
      />
    ),
    size: number(
      'face size',
      FACES.sizeMm,
      { label: T.faceSize, value: faces.sizeMm, zero: T.faceSizeAuto },
      { take: (sizeMm, key) => edits.faces({ sizeMm }, key) },
    ),
  };
}

/** Tried on the piece, whose steps tell how many faces it has then. */
function ShapedValue({ label, shaped, edits }: { label: string; shaped: Faces['shaped']; edits: PieceEdits }) {
  const trial = useTrial<Faces['shaped']>((next, key) => edits.faces({ shaped: next }, key), edits.takeBack);
  return (
    <ChoiceValue
      label={label}
      value={shaped}
      choices={choicesOf(T.facesShapedNames)}
      usual="fine"
      onTry={trial.onTry}
      onChange={trial.onChange}
    />
  );
}

/** A style is tried on the letters before it is taken. */
function FaceStyleValue({ label, style, edits }: { label: string; style: Faces['style']; edits: PieceEdits }) {
  const trial = useTrial<Faces['style']>((next, key) => edits.faces({ style: next }, key), edits.takeBack);
  return (
    <ChoiceValue
      label={label}
      value={style}
      choices={choicesOf(texts.faceStyles, PICTURES.faces)}
      usual="plain"
      onTry={trial.onTry}
      onChange={trial.onChange}
    />
  );
}
