import { Text } from '@mantine/core';
import type { Project } from '@fictile/core';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { pieceEdits } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import {
  boundsOf,
  canDraw,
  Viewport,
  type GeometryShelf,
  type MarkedPlaces,
  type TakePicture,
} from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import { TypingField } from './TypingField.tsx';
import type { Evaluation } from './useEvaluation.ts';
import type { TypingState } from './useTyping.ts';
import { ViewBar, type ViewSettings } from './ViewBar.tsx';
import classes from './Workbench.module.css';

interface ViewPaneProps {
  store: ProjectStore;
  project: Project;
  evaluation: Evaluation;
  shelf: GeometryShelf;
  view: ViewSettings;
  setView: (view: ViewSettings) => void;
  chosen: string | undefined;
  marks: MarkedPlaces | undefined;
  typing: TypingState;
  onChoose: (pieceId: string) => void;
  onPictures: (take: TakePicture | undefined) => void;
}

/** The view with what floats over it: size, bar, and the field behind the caret. */
export function ViewPane(props: ViewPaneProps) {
  const { store, project, evaluation, shelf, view, setView, typing } = props;
  const typed = typing.now && project.pieces[typing.now.pieceId];
  return (
    <main
      className={classes.view}
      aria-busy={evaluation.busy}
      onMouseDown={(event) => typing.now && event.preventDefault()} // the field behind the caret keeps the focus
    >
      <Drawn {...props} />
      {typing.now && typed && (
        <TypingField
          key={typed.id}
          piece={typed}
          place={typing.now.place}
          onPlace={typing.place}
          onText={pieceEdits(store, typed).retype}
          onEnd={typing.end}
        />
      )}
      <SizeLabel project={project} evaluation={evaluation} shelf={shelf} />
      <ViewBar settings={view} onChange={setView} />
    </main>
  );
}

function Drawn({ project, evaluation, shelf, view, chosen, marks, typing, onChoose, onPictures }: ViewPaneProps) {
  const [drawing] = useState(canDraw);
  const [parameters] = useSearchParams();
  if (!drawing) return <Text p="xl">{texts.workshop.noView}</Text>;
  if (parameters.get('view') === 'off') return null;
  return (
    <Viewport
      project={project}
      pieces={evaluation.pieces}
      shelf={shelf}
      mode={view.mode}
      showEdges={view.showEdges}
      wish={view.wish}
      label={texts.workshop.view}
      chosen={chosen}
      marks={marks}
      typing={typing.now}
      onChoose={onChoose}
      onType={typing.start}
      onPlace={typing.place}
      onPictures={onPictures}
    />
  );
}

/** Name and outer size of everything that is seen. */
function SizeLabel({ project, evaluation, shelf }: Pick<ViewPaneProps, 'project' | 'evaluation' | 'shelf'>) {
  const box = useMemo(() => boundsOf(evaluation.pieces, shelf), [evaluation.pieces, shelf]);
  const size = box.isEmpty() ? undefined : [box.max.x - box.min.x, box.max.y - box.min.y, box.max.z - box.min.z];
  return (
    <div className={classes.label} data-testid="figures" aria-live="polite">
      {evaluation.busy ? texts.workshop.working : texts.workshop.size(project.name, size ?? [0, 0, 0])}
    </div>
  );
}
