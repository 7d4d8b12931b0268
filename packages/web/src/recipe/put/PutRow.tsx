import { UnstyledButton } from '@mantine/core';
import type { OntoStep, ShownPiece } from '@fictile/core';
import { texts } from '../../words/index.ts';
import classes from '../Recipe.module.css';
import { Advised } from './Advised.tsx';
import { changed } from './putParts.ts';
import type { Laying, PutActs } from './putting.ts';
import { PutSentence, type PutSentenceProps } from './PutSentence.tsx';

interface PutRowProps extends PutSentenceProps {
  laying: Laying | undefined;
  acts: PutActs | undefined;
  /** as it was built last */
  laid: ShownPiece['onto'];
}

/** The sentence, why it is laid so, and what can be done about it. */
export function PutRow({ laying, acts, laid, ...props }: PutRowProps) {
  const { standing, edits } = props;
  const { piece, body, onto } = standing;
  const own = laid && laid.stepId === onto?.id ? laid : undefined;
  const isOwn = props.side === 'piece';
  const lay = (method: OntoStep['method']): void => {
    if (onto) edits.stepsOf(changed(standing, { ...onto, method }));
  };
  return (
    <>
      <PutSentence {...props} />
      {onto?.on && own?.advice && standing.cut?.operation !== 'through' && (
        <Advised onto={onto} advice={own.advice} box={own.options.box} onLay={lay} />
      )}
      {onto?.on && (
        <div className={classes.actions}>
          {acts && body && (
            <UnstyledButton
              className={classes.unlock}
              onClick={() => acts.start({ pieceId: piece.id, bodyId: body.id })}
            >
              {texts.put.act.move}
            </UnstyledButton>
          )}
          {isOwn && laying?.fit && (
            <UnstyledButton className={classes.unlock} onClick={laying.fit}>
              {texts.shape.fit}
            </UnstyledButton>
          )}
          {isOwn && laying?.fromView && onto.method === 'direction' && (
            <UnstyledButton className={classes.unlock} onClick={laying.fromView}>
              {texts.shape.fromView}
            </UnstyledButton>
          )}
        </div>
      )}
      {isOwn && onto?.on && onto.method === 'round' && onto.guide === 'drawn' && (
        <div className={classes.hint}>{texts.shape.guideHint}</div>
      )}
      {own?.report && onto && onto.method !== 'flat' && <TrueLine report={own.report} />}
    </>
  );
}

/** How true lettering lies on a model. */
function TrueLine({ report }: { report: NonNullable<NonNullable<ShownPiece['onto']>['report']> }) {
  const [length, angle, thickness] = [report.lengthPercent, report.angleDegrees, report.thicknessPercent].map((v) =>
    v.toFixed(1),
  );
  return <div className={classes.need}>{texts.shape.ontoTrue(length, angle, thickness)}</div>;
}
