import { ActionIcon, Menu } from '@mantine/core';
import { RECIPE_CHAPTERS } from '@fictile/core';
import { IconDots } from '@tabler/icons-react';
import type { ReactNode } from 'react';
import { texts } from '../words/index.ts';
import { Fold } from './Fold.tsx';
import classes from './Recipe.module.css';
import { useRecipe } from './recipeContext.ts';
import type { ChapterName } from './recipeContext.ts';

interface ChapterProps {
  name: ChapterName;
  /** where it is not called as usual */
  title?: string;
  /** small, at the right edge: what the step left and how long it took */
  figures?: string;
  remarks?: ReactNode;
  /** rare settings, folded away */
  more?: ReactNode;
  children: ReactNode;
}

/** A chapter of the recipe: its pale number, its sentences, what has to be told of it. Only the one at work is lit. */
export function Chapter({ name, title = texts.chapters[name], figures, remarks, more, children }: ChapterProps) {
  const { work } = useRecipe();
  const begin = (): void => work.set(name);
  return (
    <section
      className={classes.chapter}
      data-chapter={name}
      data-at-work={work.at === name}
      aria-label={title}
      onFocus={begin}
      onPointerDown={begin}
    >
      <span className={classes.number} aria-hidden>
        {RECIPE_CHAPTERS.indexOf(name) + 1}
      </span>
      <div className={classes.body}>
        <header className={classes.head}>
          <h2 className={classes.title}>{title}</h2>
          <ChapterMenu name={name} title={title} />
          <span className={classes.figures}>{figures}</span>
        </header>
        <div className={classes.sentence}>{children}</div>
        {more && <Fold>{more}</Fold>}
        {remarks}
      </div>
    </section>
  );
}

function ChapterMenu({ name, title }: { name: ChapterName; title: string }) {
  const { work } = useRecipe();
  const t = texts.recipe;
  return (
    <Menu position="bottom-start" withinPortal>
      <Menu.Target>
        <ActionIcon className={classes.menu} variant="subtle" color="dark" size={18} aria-label={t.chapterMenu(title)}>
          <IconDots size={14} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={() => work.copy(name)}>{t.copyChapter}</Menu.Item>
        <Menu.Item onClick={work.paste}>{t.paste}</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
