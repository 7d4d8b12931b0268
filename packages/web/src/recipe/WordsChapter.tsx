import { featuresText, FIT, parseFeatures, WORDS, type WordsPiece } from '@fictile/core';
import { useLayoutEffect, useRef, type ReactNode } from 'react';
import { choicesOf, ChoiceValue, Sentence, TextValue } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { ContourSentence } from './ContourSentence.tsx';
import { AxisValues, FontValue } from './FontValue.tsx';
import { LineSentence } from './LineSentence.tsx';
import { OwnSentence } from './OwnSentence.tsx';
import { PairValues } from './PairValues.tsx';
import { PICTURES, USUAL, choiceSlots, numberSlots } from '../fields/index.ts';
import classes from './Recipe.module.css';
import { useRecipe, type Of } from './recipeContext.ts';
import { Told } from './Told.tsx';

export function WordsChapter({ piece }: Of<WordsPiece>) {
  const { edits } = useRecipe();
  const words = piece.source;
  const usual = USUAL.source;
  const t = texts.recipe;
  const values = {
    font: <FontValue piece={piece} />,
    axes: <AxisValues piece={piece} />,
    ...numberSlots({ record: words, put: edits.words }, WORDS, {
      size: ['sizeMm', t.size],
      tracking: ['tracking', t.tracking],
    }),
    ...choiceSlots(
      { record: words, put: edits.words },
      {
        sizeBy: { label: t.sizeBy, choices: choicesOf(texts.sizesBy, PICTURES.sizesBy), usual: usual.sizeBy },
        align: { label: t.lines, choices: choicesOf(texts.aligns, PICTURES.aligns), usual: usual.align },
      },
    ),
    line: <LineSentence piece={piece} />,
    contour: <ContourSentence piece={piece} />,
  };
  return (
    <Chapter
      name="words"
      figures={texts.recipe.letters(words.graphemes.filter((g) => g.text.trim() !== '').length)}
      remarks={<Told chapter="words" />}
      more={<MoreWords piece={piece} />}
    >
      <WordsField text={words.graphemes.map((g) => g.text).join('')} onText={edits.retype} />
      <Sentence template={t.words} values={values} />
      <OwnSentence piece={piece} />
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

function MoreWords({ piece }: Of<WordsPiece>) {
  const values = { ...useSettingSlots(piece), ...useScriptSlots(piece) };
  return texts.recipe.moreWords.map((template) => (
    <div key={template} className={classes.paragraph}>
      <Sentence template={template} values={values} />
    </div>
  ));
}

/** How letters stand beside and above each other, and where their zero lies. */
function useSettingSlots(piece: WordsPiece): Record<string, ReactNode> {
  const { edits } = useRecipe();
  const words = piece.source;
  const usual = USUAL.source;
  const t = texts.recipe;
  const held = { record: words, put: edits.words };
  return {
    ...numberSlots(held, WORDS, {
      leading: ['leadingPercent', t.leading],
      wordSpace: ['wordSpacePercent', t.wordSpace],
      width: ['widthPercent', t.letterWidth],
      height: ['heightPercent', t.letterHeight],
      slant: ['slantDegrees', t.slant],
    }),
    ...choiceSlots(held, {
      anchor: { label: t.anchor, choices: choicesOf(texts.anchors, PICTURES.anchors), usual: usual.anchor },
      capitals: { label: t.capitals, choices: choicesOf(texts.capitals, PICTURES.capitals), usual: 'typed' },
      letters: { label: t.touching, choices: choicesOf(texts.lettersModes, PICTURES.letters), usual: usual.letters },
    }),
    depthAnchor: (
      <ChoiceValue
        label={t.depthAnchor}
        value={words.depthAnchor}
        choices={choicesOf(texts.depthAnchors, PICTURES.depthAnchors)}
        usual={usual.depthAnchor}
        onChange={edits.depthAnchor}
      />
    ),
    pairs: <PairValues piece={piece} />,
    kerning: (
      <ChoiceValue
        label={t.kerning}
        value={words.kerning ? 'on' : 'off'}
        choices={choicesOf(texts.switches, PICTURES.switches)}
        usual="on"
        onChange={(value) => edits.words({ kerning: value === 'on' })}
      />
    ),
    fit: <FitValues piece={piece} />,
  };
}

/** What the script and the font have to say. */
function useScriptSlots(piece: WordsPiece): Record<string, ReactNode> {
  const { edits } = useRecipe();
  const words = piece.source;
  const t = texts.recipe;
  return {
    ...choiceSlots(
      { record: words, put: edits.words },
      {
        direction: {
          label: t.direction,
          choices: choicesOf(texts.directions, PICTURES.directions),
          usual: USUAL.source.direction,
        },
      },
    ),
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
}

const featuresIn = (text: string): Record<string, number> => {
  const parsed = parseFeatures(text);
  return 'features' in parsed ? parsed.features : {};
};

function featuresFault(text: string): string | undefined {
  const parsed = parseFeatures(text);
  return 'wrong' in parsed ? texts.recipe.featuresFault(parsed.wrong) : undefined;
}

function FitValues({ piece }: Of<WordsPiece>) {
  const { edits } = useRecipe();
  const { fit } = piece.source;
  const t = texts.recipe;
  const put = (values: Partial<typeof fit>, key?: string): void => edits.words({ fit: { ...fit, ...values } }, key);
  const values = {
    ...choiceSlots(
      { record: fit, put },
      { to: { label: t.fit, choices: choicesOf(texts.fits, PICTURES.fits), usual: 'none' } },
    ),
    ...numberSlots({ record: fit, put }, FIT, {
      width: ['widthMm', t.fitWidth],
      height: ['heightMm', t.fitHeight],
    }),
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
