import { UnstyledButton } from '@mantine/core';
import { lazy, Suspense, useState } from 'react';
import { texts } from '../words/index.ts';
import type { ChartsProps } from './Charts.tsx';
import classes from './Checks.module.css';

const Charts = lazy(() => import('./Charts.tsx'));

/** Charts are loaded when they are first asked for. */
export function ChartFold(props: ChartsProps) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <>
      <UnstyledButton className={classes.fold} aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
        {texts.checks.charts}
      </UnstyledButton>
      {isOpen && (
        <Suspense fallback={<div className={classes.chart} aria-busy />}>
          <Charts {...props} />
        </Suspense>
      )}
    </>
  );
}
