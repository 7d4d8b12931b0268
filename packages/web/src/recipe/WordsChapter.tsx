import { useLayoutEffect, useRef } from 'react';
import { ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { FontValue } from './FontValue.tsx';
import { PICTURES } from './pictures.tsx';
import classes from './Recipe.module.css';
import { choicesOf, number, USUAL, type ChapterProps } from './sentenceParts.tsx';
import { Told } from './Told.tsx';

export function WordsChapter({ piece, edits, remarks, work }: ChapterProps) {
  const words = piece.source;
  const usual = USUAL.source;
  const t = texts.recipe;
  const values = {
    font: <FontValue piece={piece} edits={edits} />,
    size: number('size', { label: t.size, value: words.sizeMm, kind: 'length', unit: 'mm', min: 0.1, max: 10_000, step: 1, usual: usual.sizeMm }, (sizeMm, key) => edits.words({ sizeMm }, key)),
    align: <ChoiceValue label={t.lines} value={words.align} choices={choicesOf(texts.aligns, PICTURES.aligns)} usual={usual.align} onChange={(align) => edits.words({ align })} />,
    tracking: number('tracking', { label: t.tracking, value: words.tracking, kind: 'plain', unit: '', min: -500, max: 5000, step: 5, usual: usual.tracking }, (tracking, key) => edits.words({ tracking }, key)),
  }; // prettier-ignore
  return (
    <Chapter
      name="words"
      work={work}
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
      dir="auto"
      rows={1}
      spellCheck={false}
      value={text}
      onChange={(event) => onText(event.currentTarget.value)}
    />
  );
}

function MoreWords({ piece, edits }: Pick<ChapterProps, 'piece' | 'edits'>) {
  const words = piece.source;
  const usual = USUAL.source;
  const t = texts.recipe;
  const values = {
    leading: number('leading', { label: t.leading, value: words.leadingPercent, kind: 'plain', unit: '%', min: 10, max: 1000, step: 5, usual: usual.leadingPercent }, (leadingPercent, key) => edits.words({ leadingPercent }, key)),
    anchor: <ChoiceValue label={t.anchor} value={words.anchor} choices={choicesOf(texts.anchors, PICTURES.anchors)} usual={usual.anchor} onChange={(anchor) => edits.words({ anchor })} />,
    depthAnchor: <ChoiceValue label={t.depthAnchor} value={words.depthAnchor} choices={choicesOf(texts.depthAnchors, PICTURES.depthAnchors)} usual={usual.depthAnchor} onChange={(depthAnchor) => edits.words({ depthAnchor })} />,
    kerning: <ChoiceValue label={t.kerning} value={words.kerning ? 'on' : 'off'} choices={choicesOf(texts.switches, PICTURES.switches)} usual="on" onChange={(value) => edits.words({ kerning: value === 'on' })} />,
    letters: <ChoiceValue label={t.touching} value={words.letters} choices={choicesOf(texts.lettersModes, PICTURES.letters)} usual={usual.letters} onChange={(letters) => edits.words({ letters })} />,
    direction: <ChoiceValue label={t.direction} value={words.direction} choices={choicesOf(texts.directions, PICTURES.directions)} usual={usual.direction} onChange={(direction) => edits.words({ direction })} />,
  }; // prettier-ignore
  return <Sentence template={t.moreWords} values={values} />;
}
