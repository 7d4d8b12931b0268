import { Collapse, UnstyledButton } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import type { ReactNode } from 'react';
import { texts } from '../words/index.ts';
import classes from './Recipe.module.css';

interface ChapterProps {
  number: number;
  title: string;
  /** small, at the right edge: what the step left and how long it took */
  figures?: string;
  remarks?: ReactNode;
  /** rare settings, folded away */
  more?: ReactNode;
  children: ReactNode;
}

/** A chapter of the recipe: its pale number, its sentences, what has to be told of it. */
export function Chapter({ number, title, figures, remarks, more, children }: ChapterProps) {
  const [isOpen, { toggle }] = useDisclosure(false);
  return (
    <section className={classes.chapter} aria-label={title}>
      <span className={classes.number} aria-hidden>
        {number}
      </span>
      <div className={classes.body}>
        <header className={classes.head}>
          <h2 className={classes.title}>{title}</h2>
          <span className={classes.figures}>{figures}</span>
        </header>
        <div className={classes.sentence}>{children}</div>
        {more && (
          <>
            <Collapse expanded={isOpen}>
              <div className={classes.sentence}>{more}</div>
            </Collapse>
            <UnstyledButton className={classes.fold} onClick={toggle} aria-expanded={isOpen}>
              {isOpen ? texts.recipe.less : texts.recipe.more}
            </UnstyledButton>
          </>
        )}
        {remarks}
      </div>
    </section>
  );
}
