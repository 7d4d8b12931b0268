import { FileButton, UnstyledButton } from '@mantine/core';
import { LINES, variantOf, type FreeCurve, type StepPath } from '@fictile/core';
import { LINE_WORDS } from '@fictile/words';
import type { ReactNode } from 'react';
import { choicesOf, ChoiceValue, DRAWINGS, Sentence, useTrial } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { PieceChoice, type OtherPiece } from './PieceChoice.tsx';
import { KnotSentence } from './KnotSentence.tsx';
import type { EditKey } from '../ui/index.ts';
import classes from '../ui/values.module.css';
import type { ControlProps, FieldRecord, FieldTools, Values } from './fieldNodes.tsx';
import { namedBy } from './WhereValue.tsx';

interface LineProps extends ControlProps {
  nodesOf: (record: FieldRecord) => Record<string, ReactNode>;
}

/** A line in space: its kind, and the values of that. */
export function LineValue({ name, value, record, put, nodesOf }: LineProps) {
  const path = value as StepPath;
  const { tools } = record;
  const set = (values: Values, key?: EditKey): void => put({ ...path, ...values }, namedBy(name, key));
  const nodes = {
    ...nodesOf({ ...record, fields: LINES[path.kind], values: path as unknown as Values, words: LINE_WORDS, put: set }),
    ...(path.kind === 'drawn' && { curve: <DrawnCurve curve={path.curve} set={set} readCurve={tools.readCurve} /> }),
    ...(path.kind === 'edge' && {
      target: (
        <PieceChoice
          label={LINE_WORDS.labels.target}
          value={path.target}
          others={tools.others}
          onChange={(target) => put(edgeOf(target, tools.others))}
        />
      ),
    }),
  };
  const rest = <Sentence template={LINE_WORDS.kinds[path.kind]} values={nodes} />;
  return (
    <Sentence
      template={LINE_WORDS.sentence}
      values={{ kind: <LineKind path={path} record={record} name={name} />, rest }}
    />
  );
}

/** The top edge before a piece. */
function edgeOf(target: string, others: readonly OtherPiece[]): StepPath {
  const box = others.find(({ id }) => id === target)?.flat;
  const [x, y, z] = box ? [(box.low[0] + box.high[0]) / 2, box.high[1], box.high[2]].map(Math.round) : [0, 0, 0];
  return { kind: 'edge', target, atMm: [x, y, z], reversed: false };
}

/** An edge needs another piece, and places in space are not drawn here. */
function kindsFor(present: StepPath['kind'], others: readonly OtherPiece[]): StepPath['kind'][] {
  return (Object.keys(LINES) as StepPath['kind'][]).filter(
    (kind) => kind === present || (kind === 'edge' ? others.length > 0 : kind !== 'places'),
  );
}

/**
 * What changes with the kind of the line; most edges that take letters are level: a rim, a belly, the top of a tile.
 */
function along(kind: StepPath['kind'], { others }: FieldTools): Values {
  if (kind !== 'edge') return { path: variantOf(LINES, kind) };
  const first = (others.find(({ isBody }) => isBody) ?? others[0])?.id ?? '';
  return { path: edgeOf(first, others), ends: 'round', up: 'upright' };
}

function LineKind({ path, record, name }: { path: StepPath; record: FieldRecord; name: string }) {
  const { put, tools, words } = record;
  const take = (kind: StepPath['kind'], key?: EditKey): void => put(kind === path.kind ? {} : along(kind, tools), key);
  const trial = useTrial<StepPath['kind']>(take, tools.takeBack);
  const kinds = kindsFor(path.kind, tools.others);
  return (
    <ChoiceValue
      label={words.labels[name]}
      value={path.kind}
      choices={choicesOf<StepPath['kind']>(LINE_WORDS.choices?.kind ?? {}).filter(({ value }) => kinds.includes(value))}
      usual="coil"
      onTry={trial.onTry}
      onChange={trial.onChange}
    />
  );
}

interface DrawnCurveProps {
  curve: FreeCurve;
  set: (values: Values, key?: EditKey) => void;
  readCurve: FieldTools['readCurve'];
}

function DrawnCurve({ curve, set, readCurve }: DrawnCurveProps) {
  return (
    <>
      <KnotSentence curve={curve} onCurve={(next, key) => set({ curve: next }, key)} />
      <FileButton
        accept={DRAWINGS}
        onChange={(file) => file && void readCurve(file).then((next) => next && set({ curve: next }))}
      >
        {(props) => (
          <UnstyledButton {...props} className={classes.press}>
            {texts.shape.pathFile}
          </UnstyledButton>
        )}
      </FileButton>
    </>
  );
}
