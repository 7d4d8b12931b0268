import { sizeOfBox, type Box3 } from '@fictile/core';
import { gridStep } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import classes from './Workbench.module.css';

interface SizeLabelProps {
  name: string;
  isBusy: boolean;
  box: Box3;
  showGrid: boolean;
}

/** Name and outer size of everything that is seen. */
export function SizeLabel({ name, isBusy, box, showGrid }: SizeLabelProps) {
  const size = sizeOfBox(box);
  const grid = showGrid ? ` · ${texts.view.gridStep(gridStep(Math.max(...size) || 100))}` : '';
  return (
    <div className={classes.label} data-testid="figures">
      {isBusy ? texts.workshop.working : `${texts.workshop.size(name, size)}${grid}`}
    </div>
  );
}
