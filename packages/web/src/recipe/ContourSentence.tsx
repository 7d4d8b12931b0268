import { usualHollow, type Words } from '@fictile/core';
import { ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { PICTURES } from './pictures.tsx';
import { choicesOf, number, type ChapterProps } from './sentenceParts.tsx';

type Hollow = Extract<Words['contour'], { kind: 'hollow' }>;
const USUAL = usualHollow();

/** Full letters, or hollow ones with a wall. */
export function ContourSentence({ piece, edits }: Pick<ChapterProps, 'piece' | 'edits'>) {
  const { contour } = piece.source;
  const t = texts.recipe;
  const kind = (
    <ChoiceValue
      label={t.contour}
      value={contour.kind}
      choices={choicesOf(texts.contours, PICTURES.contours)}
      usual="full"
      onChange={(next) => next !== contour.kind && edits.words({ contour: next === 'full' ? { kind: 'full' } : USUAL })}
    />
  );
  if (contour.kind === 'full') return <Sentence template={t.contourFull} values={{ kind }} />;
  const put = (values: Partial<Hollow>, key?: string): void => edits.words({ contour: { ...contour, ...values } }, key);
  const length = { kind: 'length', unit: 'mm', min: 0.01, max: 1000, step: 0.5 } as const;
  const gap = number('contour gap', { ...length, label: t.contourGapName, value: contour.gapMm, usual: USUAL.gapMm }, (gapMm, key) => put({ gapMm }, key)); // prettier-ignore
  const values = {
    kind,
    wall: number('wall', { ...length, label: t.wall, value: contour.wallMm, usual: USUAL.wallMm }, (wallMm, key) => put({ wallMm }, key)),
    side: <ChoiceValue label={t.wallSide} value={contour.side} choices={choicesOf(texts.wallSides, PICTURES.wallSides)} usual={USUAL.side} onChange={(side) => put({ side })} />,
    count: number('contours', { label: t.contours, value: contour.count, kind: 'plain', unit: contour.count === 1 ? 'contour' : 'contours', min: 1, max: 20, step: 1, whole: true, usual: 1 }, (count, key) => put({ count }, key)),
    gap: contour.count > 1 ? <Sentence template={t.contourGap} values={{ gap }} /> : null,
  }; // prettier-ignore
  return <Sentence template={t.contourHollow} values={values} />;
}
