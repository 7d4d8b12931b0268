import { ActionIcon } from '@mantine/core';
import type { Project } from '@fictile/core';
import { IconX } from '@tabler/icons-react';
import { useRef } from 'react';
import { useChoice, useOpenParts, type Evaluation } from '../bench/index.ts';
import { type Comparing } from '../views/index.ts';
import type { CameraHandle, GeometryShelf } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import { Canvas } from './Drawn.tsx';
import { useBox } from './useBox.ts';
import classes from './Workbench.module.css';

interface ComparedProps {
  project: Project;
  evaluation: Evaluation;
  shelf: GeometryShelf;
  link: (camera: CameraHandle | undefined) => void;
}

const NOTHING_HELD: ReadonlySet<string> = new Set();

/** Another state of the project, seen with the same camera; nothing can be taken hold of. */
export function ComparedView({ project, evaluation, shelf, link }: ComparedProps) {
  const { view } = useOpenParts();
  const { chosen, typing } = useChoice();
  const camera = useRef<CameraHandle>(undefined);
  const box = useBox(project, evaluation.pieces, shelf);
  return (
    <div className={classes.second} data-testid="compared" aria-busy={evaluation.busy}>
      <Canvas
        {...{ project, shelf, box, camera, link }}
        pieces={evaluation.pieces}
        wish={view.wish}
        hands={{
          onChoose: chosen.choose,
          onType: typing.start,
          held: NOTHING_HELD,
          cutting: [],
          isCarrying: false,
          ...{ typed: undefined, placing: undefined, stepping: undefined },
        }}
      />
    </div>
  );
}

export function ComparedLabel({ comparing, onEnd }: { comparing: Comparing; onEnd: () => void }) {
  return (
    <div className={classes.compared}>
      {texts.compare.with(comparing.label)}
      <ActionIcon variant="subtle" color="dark" size={18} aria-label={texts.compare.end} onClick={onEnd}>
        <IconX size={13} />
      </ActionIcon>
    </div>
  );
}
