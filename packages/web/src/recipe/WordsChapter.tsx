import { featuresText, FIT, parseFeatures, WORDS } from '@fictile/core';
import { useLayoutEffect, useRef } from 'react';
import { choicesOf, ChoiceValue, Sentence, TextValue } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { ContourSentence } from './ContourSentence.tsx';
import { AxisValues, FontValue } from './FontValue.tsx';
import { LineSentence } from './LineSentence.tsx';
import { OwnSentence } from './OwnSentence.tsx';
import { PairValues } from './PairValues.tsx';
import { PICTURES } from './pictures.tsx';
import classes from './Recipe.module.css';
import { number, USUAL, type WordsProps } from './sentenceParts.tsx';
import { Told } from './Told.tsx';

export function WordsChapter({ piece, edits, remarks, work, picked, readCurve }: WordsProps) {
  const words = piece.source;
  const usual = USUAL.source;
  const t = texts.recipe;
  const values = {
    font: <FontValue piece={piece} edits={edits} />,
    axes: <AxisValues piece={piece} edits={edits} />,
    sizeBy: (
      <ChoiceValue
        label={t.sizeBy}
        value={words.sizeBy}
        choices={choicesOf(texts.sizesBy, PICTURES.sizesBy)}
        usual={usual.sizeBy}
        onChange={(sizeBy) => edits.words({ sizeBy })}
      />
    ),
    size: number(
      'size',
      WORDS.sizeMm,
      { label: t.size, value: words.sizeMm },
      { take: (sizeMm, key) => edits.words({ sizeMm }, key) },
    ),
    align: (
      <ChoiceValue
        label={t.lines}
        value={words.align}
        choices={choicesOf(texts.aligns, PICTURES.aligns)}
        usual={usual.align}
        onChange={(align) => edits.words({ align })}
      />
    ),
    tracking: number(
      'tracking',
      WORDS.tracking,
      { label: t.tracking, value: words.tracking },
      { take: (tracking, key) => edits.words({ tracking }, key) },
    ),
    line: <LineSentence piece={piece} edits={edits} readCurve={readCurve} />,
    contour: <ContourSentence piece={piece} edits={edits} />,
  };
  return (
    <Chapter
      name="words"
      work={work}
      figures={texts.recipe.letters(words.graphemes.filter((g) => g.text.trim() !== '').length)}
      remarks={<Told chapter="words" remarks={remarks} edits={edits} />}
      more={<MoreWords piece={piece} edits={edits} picked={picked} />}
    >
      <WordsField text={words.graphemes.map((g) => g.text).join('')} onText={edits.retype} />
      <Sentence template={t.words} values={values} />
      <OwnSentence piece={piece} edits={edits} picked={picked} />
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
      dir="auto"
      rows={1}
      spellCheck={false}
      value={text}
      onChange={(event) => onText(event.currentTarget.value)}
      onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.blur()}
    />
  );
}

function MoreWords({ piece, edits, picked }: Pick<WordsProps, 'piece' | 'edits' | 'picked'>) {
  const words = piece.source;
  const usual = USUAL.source;
  const t = texts.recipe;
  const values = {
    leading: number(
      'leading',
      WORDS.leadingPercent,
      { label: t.leading, value: words.leadingPercent },
      { take: (leadingPercent, key) => edits.words({ leadingPercent }, key) },
    ),
    anchor: (
      <ChoiceValue
        label={t.anchor}
        value={words.anchor}
        choices={choicesOf(texts.anchors, PICTURES.anchors)}
        usual={usual.anchor}
        onChange={(anchor) => edits.words({ anchor })}
      />
    ),
    depthAnchor: (
      <ChoiceValue
        label={t.depthAnchor}
        value={words.depthAnchor}
        choices={choicesOf(texts.depthAnchors, PICTURES.depthAnchors)}
        usual={usual.depthAnchor}
        onChange={edits.depthAnchor}
      />
    ),
    wordSpace: number(
      'word space',
      WORDS.wordSpacePercent,
      { label: t.wordSpace, value: words.wordSpacePercent },
      { take: (wordSpacePercent, key) => edits.words({ wordSpacePercent }, key) },
    ),
    width: number(
      'width',
      WORDS.widthPercent,
      { label: t.letterWidth, value: words.widthPercent },
      { take: (widthPercent, key) => edits.words({ widthPercent }, key) },
    ),
    height: number(
      'height',
      WORDS.heightPercent,
      { label: t.letterHeight, value: words.heightPercent },
      { take: (heightPercent, key) => edits.words({ heightPercent }, key) },
    ),
    slant: number(
      'slant',
      WORDS.slantDegrees,
      { label: t.slant, value: words.slantDegrees },
      { take: (slantDegrees, key) => edits.words({ slantDegrees }, key) },
    ),
    capitals: (
      <ChoiceValue
        label={t.capitals}
        value={words.capitals}
        choices={choicesOf(texts.capitals, PICTURES.capitals)}
        usual="typed"
        onChange={(capitals) => edits.words({ capitals })}
      />
    ),
    pairs: <PairValues piece={piece} edits={edits} picked={picked} />,
    kerning: (
      <ChoiceValue
        label={t.kerning}
        value={words.kerning ? 'on' : 'off'}
        choices={choicesOf(texts.switches, PICTURES.switches)}
        usual="on"
        onChange={(value) => edits.words({ kerning: value === 'on' })}
      />
    ),
    letters: (
      <ChoiceValue
        label={t.touching}
        value={words.letters}
        choices={choicesOf(texts.lettersModes, PICTURES.letters)}
        usual={usual.letters}
        onChange={(letters) => edits.words({ letters })}
      />
    ),
    direction: (
      <ChoiceValue
        label={t.direction}
        value={words.direction}
        choices={choicesOf(texts.directions, PICTURES.directions)}
        usual={usual.direction}
        onChange={(direction) => edits.words({ direction })}
      />
    ),
    fit: <FitValues piece={piece} edits={edits} />,
    features: (
      <TextValue
        label={t.features}
        value={featuresText(words.features)}
        none={t.fontsOwn}
        faultOf={featuresFault}
        onChange={(text) => edits.words({ features: featuresIn(text) })}
      />
    ),
    language: (
      <TextValue
        label={t.language}
        value={words.language}
        none={t.noLanguage}
        faultOf={(text) => (/^[A-Za-z0-9-]{0,35}$/.test(text) ? undefined : t.languageFault)}
        onChange={(language) => edits.words({ language })}
      />
    ),
  };
  return t.moreWords.map((template) => (
    <div key={template} className={classes.paragraph}>
      <Sentence template={template} values={values} />
    </div>
  ));
}

const featuresIn = (text: string): Record<string, number> => {
  const parsed = parseFeatures(text);
  return 'features' in parsed ? parsed.features : {};
};

function featuresFault(text: string): string | undefined {
  const parsed = parseFeatures(text);
  return 'wrong' in parsed ? texts.recipe.featuresFault(parsed.wrong) : undefined;
}

function FitValues({ piece, edits }: Pick<WordsProps, 'piece' | 'edits'>) {
  const { fit } = piece.source;
  const t = texts.recipe;
  const put = (values: Partial<typeof fit>, key?: string): void => edits.words({ fit: { ...fit, ...values } }, key);
  const values = {
    to: (
      <ChoiceValue
        label={t.fit}
        value={fit.to}
        choices={choicesOf(texts.fits, PICTURES.fits)}
        usual="none"
        onChange={(to) => put({ to })}
      />
    ),
    width: number(
      'fit width',
      FIT.widthMm,
      { label: t.fitWidth, value: fit.widthMm },
      { take: (widthMm, key) => put({ widthMm }, key) },
    ),
    height: number(
      'fit height',
      FIT.heightMm,
      { label: t.fitHeight, value: fit.heightMm },
      { take: (heightMm, key) => put({ heightMm }, key) },
    ),
    how: (
      <ChoiceValue
        label={t.fitHow}
        value={fit.onlyShrink ? 'shrink' : 'both'}
        choices={choicesOf(texts.fitHows, PICTURES.fitHows)}
        usual="both"
        onChange={(how) => put({ onlyShrink: how === 'shrink' })}
      />
    ),
  };
  return <Sentence template={t.fitSentences[fit.to]} values={values} />;
}
