import { UnstyledButton } from '@mantine/core';
import { Sentence } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { Chapter } from '../Chapter.tsx';
import classes from '../Recipe.module.css';
import { number, USUAL, type ChapterProps } from '../sentenceParts.tsx';
import { Told } from '../Told.tsx';
import { EdgeKind, EdgeSizes, type EdgeOrSame, type PutEdge } from './EdgeSentence.tsx';
import { MoreSolid } from './MoreSolid.tsx';

export function SolidChapter({ piece, edits, remarks, work, onSection }: ChapterProps) {
  const { solid } = piece.body;
  const { contour } = piece.source;
  const isWire = contour.kind === 'wire';
  const usual = USUAL.body.solid;
  const t = texts.recipe;
  const template = !isWire ? t.solid : contour.section === 'edge' ? t.solidWireEdge : t.solidWire;
  const put: Readonly<Record<'front' | 'back', PutEdge>> = {
    front: (values, key) => edits.edge('front', values, key),
    back: (values, key) => edits.edge('back', values, key),
  };
  const putBack = (back: EdgeOrSame): void =>
    edits.solid(back === 'same' ? { backAsFront: true } : { backAsFront: false, back }, 'back kind');
  const hasSteps = solid.stepsBy === 'count';
  const values = {
    depth: number('depth', { label: t.depth, value: solid.depthMm, kind: 'length', unit: 'mm', min: 0, max: 10_000, step: 1, usual: usual.depthMm }, (depthMm, key) => edits.solid({ depthMm }, key)),
    front: <EdgeKind label={t.frontEdge} value={solid.front} edge={solid.front} usual={usual.front.kind} put={(edge) => put.front(edge, 'kind')} onDraw={onSection} />,
    frontSizes: <EdgeSizes side="front" edge={solid.front} hasSteps={hasSteps} put={put.front} />,
    back: <EdgeKind<EdgeOrSame> label={t.backEdge} value={solid.backAsFront ? 'same' : solid.back} edge={solid.back} usual={usual.back.kind} put={putBack} withSame onDraw={onSection} />,
    backSizes: solid.backAsFront ? null : <EdgeSizes side="back" edge={solid.back} hasSteps={hasSteps} put={put.back} />,
    section: <UnstyledButton className={classes.unlock} onClick={onSection}>{t.drawSection}</UnstyledButton>,
  }; // prettier-ignore
  return (
    <Chapter
      name="solid"
      work={work}
      remarks={<Told chapter="solid" remarks={remarks} edits={edits} piece={piece} />}
      more={isWire ? undefined : <MoreSolid solid={solid} put={edits.solid} />}
    >
      <Sentence template={template} values={values} />
    </Chapter>
  );
}
