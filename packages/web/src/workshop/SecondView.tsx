import type { Box3 } from '@fictile/core';
import { useRef } from 'react';
import { useOpenParts } from '../bench/index.ts';
import type { CameraHandle, ViewWish } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import { Drawn } from './Drawn.tsx';
import { ViewNames } from './ViewBar.tsx';
import classes from './Workbench.module.css';

/** The same, seen from elsewhere. */
export function SecondView({ box, wish }: { box: Box3; wish: ViewWish }) {
  const { view, setView } = useOpenParts();
  const camera = useRef<CameraHandle>(undefined);
  return (
    <div className={classes.second}>
      <Drawn box={box} wish={wish} camera={camera} />
      <div className={classes.secondBar} role="toolbar" aria-label={texts.view.second}>
        <ViewNames
          wish={wish}
          onWish={(name) => setView({ ...view, second: { serial: wish.serial + 1, view: name } })}
        />
      </div>
    </div>
  );
}
