import { type Contour, CONTOURS, isWire, isWords, type LetteringPiece, usualHollow, usualWire } from '@fictile/core';
import { choicesOf, ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import type { PieceEdits } from './pieceEdits.ts';
import { PICTURES, number } from '../fields/index.ts';
import { useRecipe, type Of } from './recipeContext.ts';

type ContourOf<K extends Contour['kind']> = Extract<Contour, { kind: K }>;
const HOLLOW = usualHollow();
const WIRE = usualWire();
const USUAL: { [K in Contour['kind']]: ContourOf<K> } = { full: { kind: 'full' }, hollow: HOLLOW, wire: WIRE };

/** Full, hollow with a wall, or a wire bent along the outlines. */
export function ContourSentence({ piece }: Of<LetteringPiece>) {
  const { edits } = useRecipe();
  const { contour } = piece.source;
  const t = texts.recipe;
  const ofWords = isWords(piece);
  const what = ofWords ? t.contourOfWords : t.contourOfDrawing;
  const kind = (
    <ChoiceValue
      label={ofWords ? t.contour : t.contourOfDrawing}
      value={contour.kind}
      choices={choicesOf(texts.contours, PICTURES.contours)}
      usual="full"
      onChange={(next) => next !== contour.kind && edits.contour(USUAL[next])}
    />
  );
  if (isWire(contour))
    return <Sentence template={t.contourWire} values={{ what, kind, ...wireValues(contour, edits) }} />;
  if ('wallMm' in contour)
    return <Sentence template={t.contourHollow} values={{ what, kind, ...hollowValues(contour, edits) }} />;
  return <Sentence template={t.contourFull} values={{ what, kind }} />;
}

function hollowValues(contour: ContourOf<'hollow'>, edits: PieceEdits) {
  const t = texts.recipe;
  const put = (values: Partial<ContourOf<'hollow'>>, key?: string): void =>
    edits.contour({ ...contour, ...values }, key);
  const gap = number(
    'contour gap',
    CONTOURS.hollow.gapMm,
    { label: t.contourGapName, value: contour.gapMm },
    { take: (gapMm, key) => put({ gapMm }, key) },
  );
  return {
    wall: number(
      'wall',
      CONTOURS.hollow.wallMm,
      { label: t.wall, value: contour.wallMm },
      { take: (wallMm, key) => put({ wallMm }, key) },
    ),
    side: (
      <ChoiceValue
        label={t.wallSide}
        value={contour.side}
        choices={choicesOf(texts.wallSides, PICTURES.wallSides)}
        usual={HOLLOW.side}
        onChange={(side) => put({ side })}
      />
    ),
    count: number(
      'contours',
      CONTOURS.hollow.count,
      { label: t.contours, value: contour.count, unit: contour.count === 1 ? 'contour' : 'contours' },
      { take: (count, key) => put({ count }, key) },
    ),
    gap: contour.count > 1 ? <Sentence template={t.contourGap} values={{ gap }} /> : null,
  };
}

function wireValues(contour: ContourOf<'wire'>, edits: PieceEdits) {
  const t = texts.recipe;
  const put = (values: Partial<ContourOf<'wire'>>, key?: string): void => edits.contour({ ...contour, ...values }, key);
  // a section has flat sides in front, behind and outside: their number goes by fours
  const byFours = (sides: number): number => Math.min(64, Math.max(4, 4 * Math.round(sides / 4)));
  const sides = number(
    'wire sides',
    CONTOURS.wire.sides,
    { label: t.wireSides, value: contour.sides, unit: 'sides' },
    { take: (sides, key) => put({ sides: byFours(sides) }, key) },
  );
  return {
    thick: number(
      'wire',
      CONTOURS.wire.thickMm,
      { label: t.wireThick, value: contour.thickMm },
      { take: (thickMm, key) => put({ thickMm }, key) },
    ),
    section: (
      <ChoiceValue
        label={t.wireSection}
        value={contour.section}
        choices={choicesOf(texts.wireSections, PICTURES.wireSections)}
        usual="polygon"
        onChange={(section) => put({ section })}
      />
    ),
    sides: contour.section === 'edge' ? null : <Sentence template={t.ofSides} values={{ sides }} />,
    ends: (
      <ChoiceValue
        label={t.wireEnds}
        value={contour.ends}
        choices={choicesOf(texts.wireEnds, PICTURES.wireEnds)}
        usual={WIRE.ends}
        onChange={(ends) => put({ ends })}
      />
    ),
  };
}
