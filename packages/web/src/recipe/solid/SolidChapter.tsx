import { UnstyledButton } from '@mantine/core';
import { isWire, type Edge, SOLID } from '@fictile/core';
import { Sentence, type TrialKey } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { Chapter } from '../Chapter.tsx';
import classes from '../Recipe.module.css';
import { number, USUAL, type LetteringProps } from '../sentenceParts.tsx';
import { Told } from '../Told.tsx';
import { EdgeKind, EdgeSizes, type PutEdge } from './EdgeSentence.tsx';
import type { KindChange } from './kindChange.ts';
import { MoreSolid } from './MoreSolid.tsx';

export function SolidChapter({ piece, edits, remarks, work, onSection }: LetteringProps) {
  const { solid } = piece.body;
  const { contour } = piece.source;
  const wire = isWire(contour) ? contour : undefined;
  const usual = USUAL.body.solid;
  const t = texts.recipe;
  const template = !wire ? t.solid : wire.section === 'edge' ? t.solidWireEdge : t.solidWire;
  const put: Readonly<Record<'front' | 'back', PutEdge>> = {
    front: (values, key) => edits.edge('front', values, key),
    back: (values, key) => edits.edge('back', values, key),
  };
  const same = { isOn: solid.backAsFront, follow: (key: TrialKey) => edits.solid({ backAsFront: true }, key) };
  const ownBack = (change: KindChange<Edge['kind']>, key: TrialKey): void => {
    edits.solid({ backAsFront: false }, key);
    edits.edge('back', change, key);
  };
  const hasSteps = solid.stepsBy === 'count';
  const values = {
    depth: number(
      'depth',
      SOLID.depthMm,
      { label: t.depth, value: solid.depthMm },
      { take: (depthMm, key) => edits.solid({ depthMm }, key) },
    ),
    front: (
      <EdgeKind
        label={t.frontEdge}
        edge={solid.front}
        usual={usual.front.kind}
        put={put.front}
        takeBack={edits.takeBack}
        onDraw={onSection}
      />
    ),
    frontSizes: <EdgeSizes side="front" edge={solid.front} hasSteps={hasSteps} put={put.front} />,
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
    backSizes: solid.backAsFront ? null : (
      <EdgeSizes side="back" edge={solid.back} hasSteps={hasSteps} put={put.back} />
    ),
    section: (
      <UnstyledButton className={classes.unlock} onClick={onSection}>
        {t.drawSection}
      </UnstyledButton>
    ),
  };
  return (
    <Chapter
      name="solid"
      work={work}
      remarks={<Told chapter="solid" remarks={remarks} edits={edits} />}
      more={wire ? undefined : <MoreSolid solid={solid} put={edits.solid} takeBack={edits.takeBack} />}
    >
      <Sentence template={template} values={values} />
    </Chapter>
  );
}
