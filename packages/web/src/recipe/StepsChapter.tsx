import { ActionIcon, Menu, UnstyledButton } from '@mantine/core';
import { usualStep, type Step, type StepKind } from '@fictile/core';
import { IconDots } from '@tabler/icons-react';
import { Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import classes from './Recipe.module.css';
import type { ChapterProps } from './sentenceParts.tsx';
import { stepValues } from './stepValues.tsx';
import { Told } from './Told.tsx';

const T = texts.recipe;
const KINDS = Object.entries(texts.steps) as [StepKind, string][];

/** What is done to the mesh, step by step. */
export function StepsChapter({
  piece,
  edits,
  remarks,
  work,
  stepFaces,
}: ChapterProps & { stepFaces: readonly { id: string; faces: number }[] }) {
  const { steps } = piece;
  const put = (next: readonly Step[], key?: string): void => edits.steps(next, key);
  const replace = (at: number, step: Step, key?: string): void =>
    put(
      steps.map((s, i) => (i === at ? step : s)),
      key,
    );
  return (
    <Chapter name="steps" work={work} remarks={<Told chapter="steps" remarks={remarks} edits={edits} piece={piece} />}>
      {steps.length === 0 && <div className={classes.none}>{T.stepsNone}</div>}
      {steps.map((step, at) => (
        <div key={step.id} className={classes.step} data-off={!step.on} data-testid="step">
          <div>
            <Sentence
              template={T.steps[step.kind]}
              values={stepValues(step, (next, key) => replace(at, next, key && `step ${step.id} ${key}`))}
            />
          </div>
          <span className={classes.figures}>
            {step.on ? figureOf(stepFaces.find(({ id }) => id === step.id)?.faces) : T.stepIsOff}
          </span>
          <StepMenu steps={steps} at={at} put={put} />
        </div>
      ))}
      <Menu position="bottom-start" withinPortal>
        <Menu.Target>
          <UnstyledButton className={classes.addStep}>{T.stepAdd}</UnstyledButton>
        </Menu.Target>
        <Menu.Dropdown>
          {KINDS.map(([kind, label]) => (
            <Menu.Item key={kind} onClick={() => put([...steps, usualStep(kind, crypto.randomUUID())])}>
              {label}
            </Menu.Item>
          ))}
        </Menu.Dropdown>
      </Menu>
    </Chapter>
  );
}

const figureOf = (faces: number | undefined): string => (faces === undefined ? '' : T.stepFaces(faces));

function StepMenu({ steps, at, put }: { steps: readonly Step[]; at: number; put: (steps: readonly Step[]) => void }) {
  const step = steps[at];
  const without = steps.filter((_, i) => i !== at);
  const moved = (to: number): void => put([...without.slice(0, to), step, ...without.slice(to)]);
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
