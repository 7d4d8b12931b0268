import { useComputedColorScheme } from '@mantine/core';
import { isWords, type Project, type SceneView } from '@fictile/core';
import { useMemo, useState, type ReactNode } from 'react';
import { useChoice, useDocument, useEvaluation, useMeshes, useOpenParts, useTrials } from '../bench/index.ts';
import { pieceEdits } from '../recipe/index.ts';
import { backdropOf, Ghost } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import { CameraLink } from '../views/index.ts';
import { CompareMenu } from './CompareMenu.tsx';
import { ComparedLabel, ComparedView } from './ComparedView.tsx';
import { Drawn } from './Drawn.tsx';
import { SecondView } from './SecondView.tsx';
import { SizeLabel } from './SizeLabel.tsx';
import { TypingField } from './TypingField.tsx';
import { useBox } from './useBox.ts';
import { useFollowing } from './useFollowing.ts';
import { ViewBar } from './ViewBar.tsx';
import classes from './Workbench.module.css';

/** The view, or two of them, with what floats over it: size, bar, and the field behind the caret. */
export function ViewPane({ children }: { children: ReactNode }) {
  const { project, carrying } = useTrials();
  const { evaluation, shelf } = useMeshes();
  const { typing } = useChoice();
  const { view, camera, comparing, setComparing, setTake } = useOpenParts();
  const compared = useEvaluation(comparing?.project);
  const [link] = useState(() => new CameraLink());
  const backdrop = useBackdrop(project);
  const box = useBox(project, evaluation.pieces, shelf);
  const isBeside = comparing?.how === 'beside';
  useFollowing();
  return (
    <main
      className={classes.view}
      style={{ background: backdrop }}
      aria-busy={evaluation.busy}
      onMouseDown={(event) => typing.now && event.preventDefault()} // the field behind the caret keeps the focus
    >
      <div className={classes.views} data-two={isBeside || view.second !== undefined}>
        <Drawn
          box={box}
          wish={view.wish}
          camera={camera}
          link={isBeside ? link.first : undefined}
          ghost={comparing?.how === 'over' && <Ghost pieces={compared.evaluation.pieces} shelf={compared.shelf} />}
          onPictures={setTake}
        />
        {view.second && !isBeside && <SecondView box={box} wish={view.second} />}
        {comparing && isBeside && <ComparedView {...compared} project={comparing.project} link={link.second} />}
      </div>
      <TypingBehind />
      <SizeLabel name={project.name} isBusy={evaluation.busy} box={box} showGrid={view.showGrid} />
      <Bar />
      {carrying && <div className={classes.keys}>{texts.put.act.keys}</div>}
      {comparing && <ComparedLabel comparing={comparing} onEnd={() => setComparing(undefined)} />}
      {children}
    </main>
  );
}

function TypingBehind() {
  const { store } = useDocument();
  const { project } = useTrials();
  const { typing } = useChoice();
  const piece = typing.now && project.pieces[typing.now.pieceId];
  if (!typing.now || !piece || !isWords(piece)) return null;
  return (
    <TypingField
      key={piece.id}
      piece={piece}
      place={typing.now.place}
      onPlace={typing.place}
      onText={pieceEdits(store, [piece]).retype}
      onEnd={typing.end}
    />
  );
}

function Bar() {
  const { store } = useDocument();
  const { project } = useTrials();
  const { lead } = useChoice();
  const { view, setView, camera, comparing, setComparing } = useOpenParts();
  const onScene = (values: Partial<SceneView>): void => store.edit({ kind: 'setView', values });
  return (
    <ViewBar
      settings={view}
      onChange={setView}
      scene={project.view}
      onScene={onScene}
      pose={() => camera.current?.pose()}
    >
      <CompareMenu store={store} chosen={lead} comparing={comparing} onCompare={setComparing} />
    </ViewBar>
  );
}

/** Daylight takes the table of the scheme, which the tokens hold once it is set. */
function useBackdrop(project: Project): string {
  const scheme = useComputedColorScheme('light');
  const { surroundings } = project.view;
  return useMemo(
    () => (surroundings === 'daylight' ? '' : `linear-gradient(${backdropOf(surroundings).join(', ')})`),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [surroundings, scheme],
  );
}
