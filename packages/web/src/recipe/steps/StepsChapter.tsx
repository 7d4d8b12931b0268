import { ActionIcon, Menu, UnstyledButton } from '@mantine/core';
import {
  isOnEdge,
  isShapeStep,
  recastCost,
  SHAPE_KINDS,
  type RecastStep,
  type ShownPiece,
  type Step,
  type StepKind,
  type OntoStep,
} from '@fictile/core';
import { arrayMove } from '@dnd-kit/sortable';
import { IconDots } from '@tabler/icons-react';
import { Fragment, type ReactNode } from 'react';
import { Sentence, SortableList, useSortableRow, useTrial, useTriedMenu } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { Chapter } from '../Chapter.tsx';
import classes from '../Recipe.module.css';
import type { EditKey, PieceEdits } from '../pieceEdits.ts';
import type { ChapterProps } from '../sentenceParts.tsx';
import { besidesStep, cutsMoved, startStep, toolChanged, TRIED } from './startStep.ts';
import { CutsOfOthers } from './CutsOfOthers.tsx';
import { cutValues } from './cutValues.tsx';
import { shapeValues } from './shapeValues.tsx';
import { STEP_PICTURES } from './stepPictures.tsx';
import { stepValues } from './stepValues.tsx';
import { Told } from '../Told.tsx';
import type { OtherPiece } from '../BodyChapter.tsx';

const T = texts.recipe;
const KINDS = Object.entries(texts.steps) as [StepKind, string][];

/** What is done to the mesh, step by step. */
export function StepsChapter({
  piece,
  edits,
  remarks,
  work,
  stepFaces,
  picked,
  readCurve,
  onStep,
  laying,
  shown,
  others,
}: ChapterProps & { stepFaces: readonly { id: string; faces: number }[]; shown: ShownPiece | undefined; others: readonly OtherPiece[]; onStep: (id: string) => void; laying: Laying | undefined }) {
  const flat = shown?.flat;
  const { steps } = piece;
  const seen = steps.filter(({ id }) => id !== TRIED);
  const put = (next: readonly Step[], key?: EditKey): void => edits.steps(next, key);
  const replace = (at: number, step: Step, key?: EditKey): void => put(steps.map((s, i) => (i === at ? step : s)), key); // prettier-ignore
  const valuesOf = (step: Step, at: number) => {
    const own = (next: Step, key?: EditKey): void => {
      const moved = [...cutsMoved(step, next, piece.id, others), ...toolChanged(step, next, piece.id, { others, flat })];
      const name = typeof key === 'string' ? `step ${step.id} ${key}` : key;
      if (moved.length === 0) return replace(at, next, name);
      edits.stepsOf([{ pieceId: piece.id, steps: steps.map((one, i) => (i === at ? next : one)) }, ...moved], name);
    };
    if (step.kind === 'cut') return cutValues(step, { put: own, takeBack: edits.takeBack, others });
    return isShapeStep(step) ? shapeValues(step, { put: own, takeBack: edits.takeBack, picked, readCurve, others }) : stepValues(step, own);
  }; // prettier-ignore
  return (
    <Chapter name="steps" work={work} remarks={<Told chapter="steps" remarks={remarks} edits={edits} piece={piece} />}>
      {steps.length === 0 && <div className={classes.none}>{T.stepsNone}</div>}
      <SortableList
        ids={seen.map(({ id }) => id)}
        nameOf={(id) => texts.steps[seen.find((step) => step.id === id)?.kind ?? 'bend']}
        onMove={(id, to) => put(movedTo(steps, steps.findIndex((step) => step.id === id), steps.indexOf(seen[to])))}
      >
        {seen.map((step) => (
          <StepRow key={step.id} step={step} isAlone={seen.length === 1} faces={stepFaces.find(({ id }) => id === step.id)?.faces} onWork={() => onStep(step.id)} menu={<StepMenu steps={steps} at={steps.indexOf(step)} put={put} />}>
            <Sentence template={T.steps[step.kind]} values={valuesOf(step, steps.indexOf(step))} />
            {step.kind === 'recast' && flat && <div className={classes.hint}>{costText(step, flat)}</div>}
            {step.kind === 'onto' && step.on && <LayingActions step={step} laying={laying} />}
            {step.kind === 'onto' && step.method === 'round' && step.guide === 'drawn' && <div className={classes.hint}>{texts.shape.guideHint}</div>}
            {(step.kind === 'onto' || isOnEdge(step)) && <div className={classes.hint}>{texts.shape.holdHere}</div>}
            {shown?.onto?.stepId === step.id && shown.onto.report && step.kind === 'onto' && step.method !== 'flat' && <TrueLine report={shown.onto.report} />}
          </StepRow>
        ))}
      </SortableList>
      <CutsOfOthers pieceId={piece.id} steps={steps} edits={edits} others={others} />
      <AddStep pieceId={piece.id} steps={steps} flat={flat} others={others} edits={edits} />
    </Chapter>
  );
} // prettier-ignore

/** Each left out where it makes no sense. */
export interface Laying {
  /** makes words as large as the flat place that they lie on */
  fit?: () => void;
  /** lays them from the direction that the camera looks in */
  fromView?: () => void;
}

function LayingActions({ step: { method }, laying }: { step: OntoStep; laying: Laying | undefined }) {
  return (
    <div className={classes.actions}>
      {laying?.fit && <UnstyledButton className={classes.unlock} onClick={laying.fit}>{texts.shape.fit}</UnstyledButton>}
      {laying?.fromView && method === 'direction' && <UnstyledButton className={classes.unlock} onClick={laying.fromView}>{texts.shape.fromView}</UnstyledButton>}
    </div>
  );
} // prettier-ignore

interface StepRowProps {
  step: Step;
  /** there is nowhere to move it to */
  isAlone: boolean;
  faces: number | undefined;
  onWork: () => void;
  menu: ReactNode;
  children: ReactNode;
}

/** A step's sentence, and what is done with it as a whole. */
function StepRow({ step, isAlone, faces, onWork, menu, children }: StepRowProps) {
  const { row, grip } = useSortableRow(step.id, texts.steps[step.kind]);
  return (
    <div {...row} className={classes.step} data-off={!step.on} data-testid="step" onFocus={onWork} onPointerDown={onWork}>
      <span className={classes.stepHead}>
        <span className={classes.figures}>{step.on ? figureOf(faces) : T.stepIsOff}</span>
        {menu}
        {!isAlone && grip}
      </span>
      {children}
    </div>
  );
} // prettier-ignore

const movedTo = (steps: readonly Step[], at: number, to: number): Step[] => arrayMove([...steps], at, to);

/** A grid of so many places takes about so long here; microseconds each. */
const A_PLACE = 3;

/** What casting anew takes, told before it is done. */
function costText(step: RecastStep, flat: NonNullable<ShownPiece['flat']>): string {
  const { nodes, bytes } = recastCost(flat, step);
  return T.recastCost(nodes, bytes, (nodes * A_PLACE) / 1e6);
}

/** How true lettering lies on a model. */
function TrueLine({ report }: { report: NonNullable<NonNullable<ShownPiece['onto']>['report']> }) {
  const [length, angle, thickness] = [report.lengthPercent, report.angleDegrees, report.thicknessPercent].map((v) => v.toFixed(1));
  return <div className={classes.need}>{texts.shape.ontoTrue(length, angle, thickness)}</div>;
} // prettier-ignore

const GROUPS = [
  { name: texts.shape.groups.shape, kinds: KINDS.filter(([kind]) => SHAPE_KINDS.includes(kind)) },
  { name: texts.shape.groups.pieces, kinds: KINDS.filter(([kind]) => kind === 'cut') },
  { name: texts.shape.groups.faces, kinds: KINDS.filter(([kind]) => !SHAPE_KINDS.includes(kind) && kind !== 'cut') },
];

/** A step is shown on the letters as soon as the pointer or the arrow keys reach it. */
function AddStep({ pieceId, steps, flat, others, edits }: { pieceId: string; steps: readonly Step[]; flat: ShownPiece['flat']; others: readonly OtherPiece[]; edits: PieceEdits }) {
  const add = (kind: StepKind, id: string, key?: EditKey): void => {
    const step = startStep(kind, id, { flat, others });
    edits.stepsOf([{ pieceId, steps: [...steps.filter((one) => one.id !== TRIED), step] }, ...besidesStep(step, pieceId, others, flat)], key);
  };
  const trial = useTrial<StepKind>((kind, key) => add(kind, TRIED, key), edits.takeBack);
  const take = (kind: StepKind): void => {
    trial.onTry(undefined);
    add(kind, crypto.randomUUID());
  };
  const tried = useTriedMenu<StepKind>(trial.onTry, take);
  return (
    <Menu {...tried.menu}>
      <Menu.Target>
        <UnstyledButton className={classes.addStep} {...tried.target}>{T.stepAdd}</UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown {...tried.dropdown}>
        {GROUPS.map(({ name, kinds }) => (
          <Fragment key={name}>
            <Menu.Label>{name}</Menu.Label>
            {kinds.map(([kind, label]) => (
              <Menu.Item key={kind} leftSection={STEP_PICTURES[kind]} {...tried.item(kind)}>
                {label}
              </Menu.Item>
            ))}
          </Fragment>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
} // prettier-ignore

const figureOf = (faces: number | undefined): string => (faces === undefined ? '' : T.stepFaces(faces));

function StepMenu({ steps, at, put }: { steps: readonly Step[]; at: number; put: (steps: readonly Step[]) => void }) {
  const step = steps[at];
  const without = steps.filter((_, i) => i !== at);
  const moved = (to: number): void => put(movedTo(steps, at, to));
  const copy: Step = { ...step, id: crypto.randomUUID() };
  return (
    <Menu position="bottom-end" withinPortal>
      <Menu.Target>
        <ActionIcon className={classes.stepMenu} variant="subtle" color="dark" size={20} aria-label={T.stepMenu(texts.steps[step.kind])}>
          <IconDots size={14} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={() => put(steps.map((s, i) => (i === at ? { ...s, on: !s.on } : s)))}>{step.on ? T.stepOff : T.stepOn}</Menu.Item>
        <Menu.Item disabled={at === 0} onClick={() => moved(at - 1)}>{T.stepUp}</Menu.Item>
        <Menu.Item disabled={at === steps.length - 1} onClick={() => moved(at + 1)}>{T.stepDown}</Menu.Item>
        <Menu.Item onClick={() => put([...steps.slice(0, at + 1), copy, ...steps.slice(at + 1)])}>{T.stepCopy}</Menu.Item>
        <Menu.Item onClick={() => put(without)}>{T.stepRemove}</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
} // prettier-ignore
