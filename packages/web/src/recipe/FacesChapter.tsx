import { Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { number, USUAL, type ChapterProps } from './sentenceParts.tsx';
import { Told } from './Told.tsx';

export function FacesChapter({ piece, edits, remarks, work, figures }: ChapterProps & { figures: string | undefined }) {
  const { faces } = piece.body;
  const tolerance = number('tolerance', { label: texts.recipe.tolerance, value: faces.toleranceMm, kind: 'length', unit: 'mm', min: 0.0005, max: 10, step: 0.01, usual: USUAL.body.faces.toleranceMm }, (toleranceMm, key) => edits.faces({ toleranceMm }, key)); // prettier-ignore
  return (
    <Chapter
      name="faces"
      work={work}
      figures={figures}
      remarks={<Told chapter="faces" remarks={remarks} edits={edits} piece={piece} />}
    >
      <Sentence template={texts.recipe.faces} values={{ tolerance }} />
    </Chapter>
  );
}
