import { ActionIcon, Menu, UnstyledButton } from '@mantine/core';
import {
  isLettering,
  isOnEdge,
  isCut,
  isOnto,
  isRecast,
  recastCost,
  startStep,
  STEPS,
  type AnyStep,
  type RecastStep,
  type ShownPiece,
  type Step,
  type StepKind,
  type Piece,
} from '@fictile/core';
import { arrayMove } from '@dnd-kit/sortable';
import { IconDots } from '@tabler/icons-react';
import { wordsOf } from '@fictile/words';
import { Fragment, type ReactNode } from 'react';
import { Sentence, SortableList, useSortableRow, useOffers, useTrial, useTriedMenu } from '../../ui/index.ts';
import { stepName, texts } from '../../words/index.ts';
import { Chapter } from '../Chapter.tsx';
import { type OtherPiece, STEP_PICTURES, stepNodes } from '../../fields/index.ts';
import classes from '../Recipe.module.css';
import type { EditKey } from '../../ui/index.ts';
import { useRecipe, type Of } from '../recipeContext.ts';
import { WAY_PICTURES } from '../put/putPictures.tsx';
import { OnItsWay } from '../put/OnItsWay.tsx';
import { PutRow } from '../put/PutRow.tsx';
import { letInto, lyingOn, standingBy, standingIn, type Standing } from '../put/putParts.ts';
import type { PutActs } from '../put/putting.ts';
import { TRIED } from './tried.ts';
import { Told } from '../Told.tsx';

const T = texts.recipe;

/** What is done to the mesh, step by step. */
export function StepsChapter({ piece }: Of<Piece>) {
  const { edits, onStep, shown, acts } = useRecipe();
  const { steps } = piece;
  const seen = steps.filter(({ id }) => id !== TRIED);
  const put = (next: readonly Step[], key?: EditKey): void => edits.steps(next, key);
  const now = acts?.now;
  const isOnItsWay = now !== undefined && [now.piece?.id, now.body?.id].includes(piece.id);
  return (
    <Chapter name="steps" remarks={<Told chapter="steps" />}>
      {isOnItsWay && <OnItsWay putting={now} />}
      {steps.length === 0 && !isOnItsWay && <div className={classes.none}>{T.stepsNone}</div>}
      <SortableList
        ids={seen.map(({ id }) => id)}
        nameOf={(id) => nameOf(seen.find((step) => step.id === id))}
        onMove={(id, to) =>
          put(
            movedTo(
              steps,
              steps.findIndex((step) => step.id === id),
              steps.indexOf(seen[to]),
            ),
          )
        }
      >
        {seen.map((step) => (
          <StepRow
            key={step.id}
            step={step}
            isAlone={seen.length === 1}
            faces={shown?.stepFaces.find(({ id }) => id === step.id)?.faces}
            onWork={() => onStep(step.id)}
            menu={<StepMenu steps={steps} at={steps.indexOf(step)} put={put} />}
          >
            <StepSentence piece={piece} step={step} />
          </StepRow>
        ))}
      </SortableList>
      <OtherRows piece={piece} />
      <AddStep piece={piece} />
    </Chapter>
  );
}

function StepSentence({ piece, step }: Of<Piece> & { step: Step }) {
  const { edits, picked, readCurve, shown, others } = useRecipe();
  const self = selfOf(piece, shown);
  const own = (next: Step, key?: EditKey): void =>
    edits.steps(
      piece.steps.map((one) => (one.id === step.id ? next : one)),
      typeof key === 'string' ? `step ${step.id} ${key}` : key,
    );
  if (isOnto(step)) return <PutOf side="piece" standing={standingBy(step, self, others)} />;
  if (isCut(step)) {
    const gone = { piece: { ...NOBODY, id: step.target }, body: self, onto: undefined, cut: step };
    return <PutOf side="body" standing={standingIn(step, self, others) ?? gone} />;
  }
  const values = stepNodes(step, own, { takeBack: edits.takeBack, picked, readCurve, others });
  return (
    <>
      <Sentence template={wordsOf(step.kind).sentence} values={values} />
      {isRecast(step) && shown?.flat && <div className={classes.hint}>{costText(step, shown.flat)}</div>}
      {isOnEdge(step) && <div className={classes.hint}>{texts.shape.holdHere}</div>}
    </>
  );
}

/** Stands for a piece that is no longer there. */
const NOBODY: OtherPiece = { id: '', name: '', isBody: true, kind: 'form', flat: undefined, steps: [] };

/** The piece itself, as others see it. */
const selfOf = (piece: Piece, shown: ShownPiece | undefined): OtherPiece => ({
  id: piece.id,
  name: piece.name,
  isBody: !isLettering(piece),
  kind: piece.source.kind,
  flat: shown?.flat,
  steps: piece.steps,
  onto: shown?.onto,
});

function PutOf({ standing, side }: { standing: Standing; side: 'piece' | 'body' }) {
  const { edits, others, picked, laying, acts } = useRecipe();
  const { piece } = standing;
  return (
    <PutRow
      standing={standing}
      side={side}
      kind={piece.kind}
      edits={edits}
      others={others}
      picked={picked}
      laying={laying}
      acts={acts}
      laid={piece.onto}
    />
  );
}

/** What has no step here: pieces that lie on this one, and bodies that it is let into from where it stands. */
function OtherRows({ piece }: Of<Piece>) {
  const { shown, others } = useRecipe();
  const self = selfOf(piece, shown);
  const lying = lyingOn(self, others).map((standing) => ({ standing, side: 'body' as const }));
  const into = letInto(self, others).map((standing) => ({ standing, side: 'piece' as const }));
  return [...lying, ...into].map(({ standing, side }) => (
    <div
      key={`${standing.piece.id} ${standing.cut?.id ?? ''}`}
      className={classes.step}
      data-off={standing.cut?.on === false}
      data-testid="put"
    >
      <PutOf standing={standing} side={side} />
    </div>
  ));
}

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
  const { row, grip } = useSortableRow(step.id, nameOf(step));
  return (
    <div
      {...row}
      className={classes.step}
      data-off={!step.on}
      data-testid="step"
      onFocus={onWork}
      onPointerDown={onWork}
    >
      <span className={classes.stepHead}>
        <span className={classes.figures}>{step.on ? figureOf(faces) : T.stepIsOff}</span>
        {menu}
        {!isAlone && grip}
      </span>
      {children}
    </div>
  );
}

const movedTo = (steps: readonly Step[], at: number, to: number): Step[] => arrayMove([...steps], at, to);

/** A grid of so many places takes about so long here; microseconds each. */
const A_PLACE = 3;

/** What casting anew takes, told before it is done. */
function costText(step: RecastStep, flat: NonNullable<ShownPiece['flat']>): string {
  const { nodes, bytes } = recastCost(flat, step);
  return T.recastCost(nodes, bytes, (nodes * A_PLACE) / 1e6);
}

const GROUPS = (['shape', 'pieces', 'faces'] as const).map((group) => ({
  group,
  steps: STEPS.filter((one) => one.group === group && one.offered !== 'never'),
}));

/** A step is shown on the letters as soon as the pointer or the arrow keys reach it. */
function AddStep({ piece }: Of<Piece>) {
  const { edits, others, shown, acts } = useRecipe();
  const flat = shown?.flat;
  const { id: pieceId, steps } = piece;
  const bodies = others.filter(({ isBody }) => isBody).map(({ id }) => id);
  const isOffered = ({ offered }: AnyStep): boolean => offered !== 'besideBodies' || bodies.length > 0;
  const add = (kind: StepKind, id: string, key?: EditKey): void =>
    edits.steps(
      [...steps.filter((one) => one.id !== TRIED), startStep(kind, id, { flat, bodies, isBody: !isLettering(piece) })],
      key,
    );
  const trial = useTrial<StepKind>((kind, key) => add(kind, TRIED, key), edits.takeBack);
  const take = (kind: StepKind): void => {
    trial.onTry(undefined);
    add(kind, crypto.randomUUID());
  };
  const tried = useTriedMenu<StepKind>(trial.onTry, take);
  useOffers(() =>
    STEPS.filter((one) => one.offered !== 'never' && isOffered(one)).map(({ kind }) => ({
      id: `step ${kind}`,
      label: T.stepNew(stepName(kind)),
      detail: texts.chapters.steps,
      run: () => take(kind),
      onTry: () => trial.onTry(kind),
      onLeave: () => trial.onTry(undefined),
    })),
  );
  return (
    <Menu {...tried.menu}>
      <Menu.Target>
        <UnstyledButton className={classes.addStep} {...tried.target}>
          {T.stepAdd}
        </UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown {...tried.dropdown}>
        {GROUPS.map(({ group, steps: offered }) => (
          <Fragment key={group}>
            <Menu.Label>{texts.shape.groups[group]}</Menu.Label>
            {group === 'pieces' && acts && <PutItems pieceId={pieceId} acts={acts} />}
            {offered.filter(isOffered).map(({ kind }) => (
              <Menu.Item key={kind} leftSection={STEP_PICTURES[kind]} {...tried.item(kind)}>
                {stepName(kind)}
              </Menu.Item>
            ))}
          </Fragment>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}

/** The act, from either side. */
function PutItems({ pieceId, acts }: { pieceId: string; acts: PutActs }) {
  return (
    <>
      <Menu.Item leftSection={WAY_PICTURES.engrave} onClick={() => acts.start({ pieceId })}>
        {texts.put.act.on}
      </Menu.Item>
      <Menu.Item leftSection={WAY_PICTURES.lie} onClick={() => acts.start({ bodyId: pieceId })}>
        {texts.put.act.words}
      </Menu.Item>
    </>
  );
}

const nameOf = (step: Step | undefined): string => (step ? stepName(step.kind) : '');

const figureOf = (faces: number | undefined): string => (faces === undefined ? '' : T.stepFaces(faces));

function StepMenu({ steps, at, put }: { steps: readonly Step[]; at: number; put: (steps: readonly Step[]) => void }) {
  const step = steps[at];
  const without = steps.filter((_, i) => i !== at);
  const moved = (to: number): void => put(movedTo(steps, at, to));
  const copy: Step = { ...step, id: crypto.randomUUID() };
  return (
    <Menu position="bottom-end" withinPortal>
      <Menu.Target>
        <ActionIcon
          className={classes.stepMenu}
          variant="subtle"
          color="dark"
          size={20}
          aria-label={T.stepMenu(nameOf(step))}
        >
          <IconDots size={14} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={() => put(steps.map((s, i) => (i === at ? { ...s, on: !s.on } : s)))}>
          {step.on ? T.stepOff : T.stepOn}
        </Menu.Item>
        <Menu.Item disabled={at === 0} onClick={() => moved(at - 1)}>
          {T.stepUp}
        </Menu.Item>
        <Menu.Item disabled={at === steps.length - 1} onClick={() => moved(at + 1)}>
          {T.stepDown}
        </Menu.Item>
        <Menu.Item onClick={() => put([...steps.slice(0, at + 1), copy, ...steps.slice(at + 1)])}>
          {T.stepCopy}
        </Menu.Item>
        <Menu.Item onClick={() => put(without)}>{T.stepRemove}</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
