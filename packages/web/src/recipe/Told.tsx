import { UnstyledButton } from '@mantine/core';
import { Why } from '../help/index.ts';
import { chapterOf, toneOf } from '@fictile/core';
import { cureText, remarkText } from '../words/index.ts';
import { useRecipe, type ChapterName } from './recipeContext.ts';
import classes from './Recipe.module.css';

/** What has to be told of a chapter, with the cure as a button where there is one. */
export function Told({ chapter }: { chapter: ChapterName }) {
  const { remarks, edits } = useRecipe();
  const here = remarks.filter((remark) => chapterOf(remark) === chapter);
  return here.map((remark, i) => {
    const cure = edits.cure(remark);
    return (
      <div
        key={`${remark.code} ${i}`}
        className={classes.remark}
        data-tone={toneOf(remark) === 'note' ? 'note' : 'warning'}
      >
        <span>
          {remarkText(remark)} <Why code={remark.code} />
        </span>
        {cure && (
          <UnstyledButton className={classes.cure} onClick={() => edits.all(cure.edits)}>
            {cureText(cure)}
          </UnstyledButton>
        )}
      </div>
    );
  });
}
