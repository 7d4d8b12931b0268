import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { texts } from '../words/index.ts';
import { Mark } from './Mark.tsx';
import classes from './ScreenNav.module.css';

interface ScreenNavProps {
  at: '/' | '/fonts' | undefined;
  /** at the right */
  children?: ReactNode;
}

/** The head of the screens beside the workshop. */
export function ScreenNav({ at, children }: ScreenNavProps) {
  return (
    <nav className={classes.nav}>
      <Mark label={texts.product} />
      <Link to="/" className={classes.place} aria-current={at === '/' ? 'page' : undefined}>
        {texts.rack.title}
      </Link>
      <Link to="/fonts" className={classes.place} aria-current={at === '/fonts' ? 'page' : undefined}>
        {texts.typeCase.title}
      </Link>
      <span className={classes.gap} />
      {children}
    </nav>
  );
}
