import { UnstyledButton } from '@mantine/core';
import { isWire, type Edge, type LetteringPiece, SOLID } from '@fictile/core';
import { Sentence, type TrialKey } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { Chapter } from '../Chapter.tsx';
import { USUAL, numberSlots } from '../../fields/index.ts';
import classes from '../Recipe.module.css';
import { useRecipe, type Of } from '../recipeContext.ts';
import { Told } from '../Told.tsx';
import { EdgeKind, edgeSizes, type PutEdge } from './EdgeSentence.tsx';
import type { KindChange } from './kindChange.ts';
import { MoreSolid } from './MoreSolid.tsx';

export function SolidChapter({ piece }: Of<LetteringPiece>) {
  const { edits, onSection } = useRecipe();
  const { solid } = piece.body;
  const { contour } = piece.source;
  const wire = isWire(contour) ? contour : undefined;
  const usual = USUAL.body.solid;
  const t = texts.recipe;
  const template = !wire ? t.solid : wire.section === 'edge' ? t.solidWireEdge : t.solidWire;
  const putOn =
    (side: 'front' | 'back'): PutEdge =>
    (values, key) =>
      edits.edge(side, values, key);
  const same = { isOn: solid.backAsFront, follow: (key: TrialKey) => edits.solid({ backAsFront: true }, key) };
  const ownBack = (change: KindChange<Edge['kind']>, key: TrialKey): void => {
    edits.solid({ backAsFront: false }, key);
    edits.edge('back', change, key);
  };
  const values = {
    ...numberSlots({ record: solid, put: edits.solid }, SOLID, { depth: ['depthMm', t.depth] }),
    front: (
      <EdgeKind
        label={t.frontEdge}
        edge={solid.front}
        usual={usual.front.kind}
        put={putOn('front')}
        takeBack={edits.takeBack}
        onDraw={onSection}
      />
    ),
    frontSizes: edgeSizes('front', solid.front, { hasSteps: solid.stepsBy === 'count', put: putOn('front') }),
    back: (
      <EdgeKind
        label={t.backEdge}
        edge={solid.back}
        usual={usual.back.kind}
        put={ownBack}
        takeBack={edits.takeBack}
        same={same}
        onDraw={onSection}
      />
    ),
    backSizes:
      !solid.backAsFront && edgeSizes('back', solid.back, { hasSteps: solid.stepsBy === 'count', put: putOn('back') }),
    section: (
      <UnstyledButton className={classes.unlock} onClick={onSection}>
        {t.drawSection}
      </UnstyledButton>
    ),
  };
  return (
    <Chapter
      name="solid"
      remarks={<Told chapter="solid" />}
      more={wire ? undefined : <MoreSolid solid={solid} put={edits.solid} takeBack={edits.takeBack} />}
    >
      <Sentence template={template} values={values} />
    </Chapter>
  );
}
