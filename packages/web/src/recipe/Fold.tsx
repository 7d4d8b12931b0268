import { Collapse, UnstyledButton } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import type { ReactNode } from 'react';
import { texts } from '../words/index.ts';
import classes from './Recipe.module.css';

/** Rare settings, folded away. */
export function Fold({ children }: { children: ReactNode }) {
  const [isOpen, { toggle }] = useDisclosure(false);
  return (
    <div data-fold>
      <Collapse expanded={isOpen} keepMountedMode="display-none">
        <div className={classes.sentence}>{children}</div>
      </Collapse>
      <UnstyledButton className={classes.fold} onClick={toggle} aria-expanded={isOpen}>
        {isOpen ? texts.recipe.less : texts.recipe.more}
      </UnstyledButton>
    </div>
  );
}
