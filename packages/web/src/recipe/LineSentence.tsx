import { usualCircle, type Words } from '@fictile/core';
import { ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { PICTURES } from './pictures.tsx';
import { choicesOf, number, type ChapterProps } from './sentenceParts.tsx';

type Circle = Extract<Words['line'], { kind: 'circle' }>;
const USUAL = usualCircle();

/** What the words stand on: straight, or round a circle. */
export function LineSentence({ piece, edits }: Pick<ChapterProps, 'piece' | 'edits'>) {
  const { line, sizeMm } = piece.source;
  const t = texts.recipe;
  const kind = (
    <ChoiceValue
      label={t.line}
      value={line.kind}
      choices={choicesOf(texts.lines, PICTURES.lines)}
      usual="straight"
      onChange={(next) => {
        if (next === line.kind) return;
        // wide enough that a word or two goes round
        const radiusMm = Math.round(sizeMm * 3);
        edits.words({ line: next === 'straight' ? { kind: 'straight' } : { ...USUAL, radiusMm } });
      }}
    />
  );
  const circle = line.kind === 'circle' ? <CircleValues line={line} edits={edits} /> : null;
  return <Sentence template={t.lineSentence} values={{ line: kind, circle }} />;
}

function CircleValues({ line, edits }: { line: Circle; edits: ChapterProps['edits'] }) {
  const t = texts.recipe;
  const put = (values: Partial<Circle>, key?: string): void => edits.words({ line: { ...line, ...values } }, key);
  const angle = { kind: 'angle', unit: '°', step: 5 } as const;
  const values = {
    radius: number('radius', { label: t.radius, value: line.radiusMm, kind: 'length', unit: 'mm', min: 0.1, max: 100_000, step: 5 }, (radiusMm, key) => put({ radiusMm }, key)),
    side: <ChoiceValue label={t.side} value={line.side} choices={choicesOf(texts.circleSides, PICTURES.sides)} usual={USUAL.side} onChange={(side) => put({ side })} />,
    start: number('start', { ...angle, label: t.start, value: line.startDegrees, min: -3600, max: 3600, usual: 0 }, (startDegrees, key) => put({ startDegrees }, key)),
    way: <ChoiceValue label={t.way} value={line.direction} choices={choicesOf(texts.ways, PICTURES.ways)} usual={USUAL.direction} onChange={(direction) => put({ direction, startDegrees: direction === 'counter' ? 180 : 0 })} />,
    spread: number('spread', { ...angle, label: t.spread, value: line.spreadDegrees, min: 0, max: 360, usual: 0, zero: t.ownLength }, (spreadDegrees, key) => put({ spreadDegrees }, key)),
    stand: <ChoiceValue label={t.lettersStand} value={line.letters} choices={choicesOf(texts.circleLetters, PICTURES.circleLetters)} usual={USUAL.letters} onChange={(letters) => put({ letters })} />,
  }; // prettier-ignore
  return <Sentence template={t.circle} values={values} />;
}
