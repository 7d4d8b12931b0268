import type { Edge } from '@fictile/core';
import { ChoiceValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import type { PieceEdits } from './pieceEdits.ts';
import { PICTURES } from './pictures.tsx';
import { choicesOf, number, USUAL, type ChapterProps } from './sentenceParts.tsx';
import { Told } from './Told.tsx';

export function SolidChapter({ piece, edits, remarks, work }: ChapterProps) {
  const { solid } = piece.body;
  const isWire = piece.source.contour.kind === 'wire';
  const usual = USUAL.body.solid;
  const t = texts.recipe;
  const kinds = choicesOf<Edge['kind']>(texts.kinds, PICTURES.edges);
  const same = { value: 'same', label: t.asFront, picture: PICTURES.edges.same } as const;
  const values = {
    depth: number('depth', { label: t.depth, value: solid.depthMm, kind: 'length', unit: 'mm', min: 0, max: 10_000, step: 1, usual: usual.depthMm }, (depthMm, key) => edits.solid({ depthMm }, key)),
    front: <ChoiceValue label={t.frontEdge} value={solid.front.kind} choices={kinds} usual={usual.front.kind} onChange={(kind) => edits.edge('front', { kind })} />,
    frontSizes: <EdgeSizes side="front" edge={solid.front} edits={edits} />,
    back: <ChoiceValue<Edge['kind'] | 'same'> label={t.backEdge} value={solid.backAsFront ? 'same' : solid.back.kind} choices={[...kinds, same]} usual={usual.back.kind} onChange={(kind) => (kind === 'same' ? edits.solid({ backAsFront: true }) : edits.solid({ backAsFront: false, back: { ...solid.back, kind } }))} />,
    backSizes: solid.backAsFront ? null : <EdgeSizes side="back" edge={solid.back} edits={edits} />,
  }; // prettier-ignore
  return (
    <Chapter
      name="solid"
      work={work}
      remarks={<Told chapter="solid" remarks={remarks} edits={edits} piece={piece} />}
      more={isWire ? undefined : <MoreSolid piece={piece} edits={edits} />}
    >
      {isWire ? t.solidWire : <Sentence template={t.solid} values={values} />}
    </Chapter>
  );
}

/** What lies between the edges, and what the depth is of. */
function MoreSolid({ piece, edits }: Pick<ChapterProps, 'piece' | 'edits'>) {
  const { side, edgesAdd } = piece.body.solid;
  const usual = USUAL.body.solid;
  const t = texts.recipe;
  const put = (values: Partial<typeof side>, key?: string): void => edits.solid({ side: { ...side, ...values } }, key);
  const whole = { kind: 'plain', step: 1, min: 1, whole: true } as const;
  const values = {
    amount: number('side amount', { label: t.sideAmount, value: side.amountMm, kind: 'length', unit: 'mm', min: 0, max: 1000, step: 0.5, usual: usual.side.amountMm }, (amountMm, key) => put({ amountMm }, key)),
    steps: number('side steps', { ...whole, label: t.sideSteps, value: side.steps, unit: '', max: 64, usual: usual.side.steps }, (steps, key) => put({ steps }, key)),
    divisions: number('divisions', { ...whole, label: t.divisions, value: side.divisions, unit: t.divisionsUnit(side.divisions), max: 200, usual: 1 }, (divisions, key) => put({ divisions }, key)),
  }; // prettier-ignore
  const sizes = { straight: t.sideStraight, v: t.sideV, waist: t.sideCurved, bulge: t.sideCurved }[side.kind];
  return (
    <Sentence
      template={t.moreSolid}
      values={{
        side: <ChoiceValue label={t.solidSide} value={side.kind} choices={choicesOf(texts.sides, PICTURES.solidSides)} usual="straight" onChange={(kind) => put({ kind })} />,
        sideSizes: <Sentence template={sizes} values={values} />,
        edgeDepth: <ChoiceValue label={t.edgeDepth} value={edgesAdd ? 'added' : 'taken'} choices={choicesOf(texts.edgeDepths, PICTURES.edgeDepths)} usual="taken" onChange={(next) => edits.solid({ edgesAdd: next === 'added' })} />,
      }}
    />
  ); // prettier-ignore
}

function EdgeSizes({ side, edge, edits }: { side: 'front' | 'back'; edge: Edge; edits: PieceEdits }) {
  if (edge.kind === 'plain') return null;
  const usual = USUAL.body.solid[side];
  const t = texts.recipe;
  const name = (part: string): string => `${side === 'front' ? t.frontEdge : t.backEdge}, ${part}`;
  const length = { kind: 'length', unit: 'mm', min: 0, max: 1000, step: 0.5 } as const;
  const values = {
    in: number('in', { ...length, label: name(t.edgeIn), value: edge.inMm, usual: usual.inMm }, (inMm, key) => edits.edge(side, { inMm }, key)),
    deep: number('deep', { ...length, label: name(t.edgeDeep), value: edge.deepMm, usual: usual.deepMm }, (deepMm, key) => edits.edge(side, { deepMm }, key)),
    steps: number('steps', { label: name(t.edgeSteps), value: edge.steps, kind: 'plain', unit: '', min: 1, max: 64, step: 1, whole: true, usual: usual.steps }, (steps, key) => edits.edge(side, { steps }, key)),
  }; // prettier-ignore
  return <Sentence template={edge.kind === 'chamfer' ? t.edgeSizes : t.roundSizes} values={values} />;
}
