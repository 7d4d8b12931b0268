import { cutsOf, ontoStepOf, type CutStep, type Step } from '@fictile/core';
import { UnstyledButton } from '@mantine/core';
import { Sentence } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import type { OtherPiece } from '../BodyChapter.tsx';
import type { EditKey, PieceEdits } from '../pieceEdits.ts';
import classes from '../Recipe.module.css';
import { cutValues } from './cutValues.tsx';
import { startCut } from './startStep.ts';

interface CutsOfOthersProps {
  pieceId: string;
  steps: readonly Step[];
  edits: PieceEdits;
  others: readonly OtherPiece[];
}

/** What a piece does to others, with the same values as over there; and, where it only lies on one, the way in. */
export function CutsOfOthers({ pieceId, steps, edits, others }: CutsOfOthersProps) {
  const cuts = others.flatMap((other) => cutsOf(other).filter(({ target }) => target === pieceId).map((step) => ({ other, step })));
  const under = ontoStepOf({ steps });
  const ground = others.find(({ id }) => id === under?.target);
  const put = (other: OtherPiece, step: CutStep) => (next: CutStep, key?: EditKey): void =>
    edits.stepsOf([{ pieceId: other.id, steps: other.steps.map((one) => (one === step ? next : one)) }], typeof key === 'string' ? `cut ${step.id} ${key}` : key);
  return (
    <>
      {cuts.map(({ other, step }) => (
        <div key={step.id} className={classes.step} data-off={!step.on} data-testid="cut">
          <span className={classes.stepHead}>
            <span className={classes.figures}>{texts.cut.inPiece(other.name || texts.pieces.newWords)}</span>
          </span>
          <Sentence template={texts.recipe.steps.cut} values={{ ...cutValues(step, { put: put(other, step), takeBack: edits.takeBack, others }), target: texts.cut.it }} />
        </div>
      ))}
      {ground && cuts.length === 0 && (
        <UnstyledButton className={classes.addStep} onClick={() => edits.stepsOf([{ pieceId: ground.id, steps: [...ground.steps, startCut(crypto.randomUUID(), pieceId)] }])}>
          {texts.cut.letIn(ground.name || texts.pieces.newWords)}
        </UnstyledButton>
      )}
    </>
  );
} // prettier-ignore
