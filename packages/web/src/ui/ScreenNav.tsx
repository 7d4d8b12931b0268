import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { texts } from '../words/index.ts';
import { Mark } from './Mark.tsx';
import classes from './ScreenNav.module.css';

/** The screens beside the workshop. */
const PLACES = [
  { to: '/', title: texts.rack.title },
  { to: '/fonts', title: texts.typeCase.title },
  { to: '/help', title: texts.help.title },
] as const;

interface ScreenNavProps {
  at: (typeof PLACES)[number]['to'] | undefined;
  /** at the right */
  children?: ReactNode;
}

/** The head of the screens beside the workshop. */
export function ScreenNav({ at, children }: ScreenNavProps) {
  return (
    <nav className={classes.nav}>
      <Mark label={texts.product} />
      {PLACES.map(({ to, title }) => (
        <Link key={to} to={to} className={classes.place} aria-current={at === to ? 'page' : undefined}>
          {title}
        </Link>
      ))}
      <span className={classes.gap} />
      {children}
    </nav>
  );
}
