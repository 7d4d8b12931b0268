import type { CutStep, OntoStep, PutWay } from '@fictile/core';
import { wordsOf } from '@fictile/words';
import type { ReactNode } from 'react';
import { choicesOf, ChoiceValue, Sentence, useTrial } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { Fold } from '../Fold.tsx';
import type { EditKey } from '../../ui/index.ts';
import type { PieceEdits } from '../pieceEdits.ts';
import { cutNodes } from './cutNodes.tsx';
import { heldOff, heldPlaceChoice, isOff } from './HeldPlaceChoice.tsx';
import { bodyChanged, changed, pieceChanged, wayChanged, type Standing } from './putParts.ts';
import { type FieldTools, type OtherPiece, PieceChoice, stepNodes } from '../../fields/index.ts';
import { WAY_PICTURES } from './putPictures.tsx';

const T = texts.put;

export interface PutSentenceProps {
  standing: Standing;
  /** whose recipe it stands in */
  side: 'piece' | 'body';
  /** the kind of what is put */
  kind: keyof typeof T.these;
  edits: PieceEdits;
  others: readonly OtherPiece[];
  picked: readonly number[];
}

/** What comes of a piece on a body; any word of it changes alone. */
export function PutSentence(props: PutSentenceProps) {
  const { standing, side, kind } = props;
  const { piece, body, onto, cut } = standing;
  const way: PutWay = cut?.operation ?? 'lie';
  const edit = edits(props);
  const cuts = cut && cutNodes(cut, edit.cut, toolsOf(props));
  const bodyOf = { label: wordsOf('onto').labels.target, value: body?.id ?? onto?.target ?? '', others: props.others };
  const values = {
    piece:
      side === 'piece' ? (
        T.these[kind]
      ) : (
        <PieceChoice label={T.labels.piece} value={piece.id} others={props.others} onChange={(id) => edit.piece(id)} />
      ),
    body: side === 'body' ? T.it : <PieceChoice {...bodyOf} onChange={(id) => edit.body(id)} />,
    way: <WayChoice standing={standing} isMany={isMany(props)} edits={props.edits} put={edit.way} />,
    ...cuts,
    sunk: cuts && !piece.isBody ? <Sentence template={T.sunk} values={cuts} /> : null,
    laid: onto ? laidSentence({ ...props, onto, edit: edit.onto }) : T.unlaid,
  };
  return (
    <>
      <Sentence template={T.sentences[way]} values={values} />
      <Fold>
        {onto && <MoreLaid {...props} onto={onto} edit={edit.onto} />}
        {cuts && way !== 'lie' && <Sentence template={` ${texts.cut.more}`} values={cuts} />}
      </Fold>
    </>
  );
}

type OntoEdit = (next: OntoStep, key?: EditKey) => void;

/** Edits of either piece by what the sentence is about. */
function edits({ standing, edits: all, others }: PutSentenceProps) {
  const named = (key: EditKey | undefined): EditKey | undefined =>
    typeof key === 'string' ? `put ${standing.onto?.id ?? standing.cut?.id ?? ''} ${key}` : key;
  const found = (id: string, rows: (other: OtherPiece) => ReturnType<typeof changed>): void => {
    const other = others.find((one) => one.id === id);
    if (other) all.stepsOf(rows(other));
  };
  return {
    onto: (next: OntoStep, key?: EditKey): void => all.stepsOf(changed(standing, next), named(key)),
    cut: (next: CutStep, key?: EditKey): void => all.stepsOf(changed(standing, next), named(key)),
    way: (way: PutWay, key?: EditKey): void => {
      const rows = wayChanged(standing, way);
      if (rows.length > 0) all.stepsOf(rows, key);
    },
    body: (id: string): void => found(id, (other) => bodyChanged(standing, other)),
    piece: (id: string): void => found(id, (other) => pieceChanged(standing, other)),
  };
}

interface WayChoiceProps {
  standing: Standing;
  isMany: boolean;
  edits: PieceEdits;
  put: (way: PutWay, key?: EditKey) => void;
}

/** Each way is shown as it is reached. */
function WayChoice({ standing, isMany, edits: { takeBack }, put }: WayChoiceProps) {
  const trial = useTrial<PutWay>(put, takeBack);
  const way = standing.cut?.operation ?? 'lie';
  const names = T.ways[isMany ? 'many' : 'one'];
  const shown = (T.inSentence[isMany ? 'many' : 'one'] as Partial<Record<PutWay, string>>)[way];
  // what stands free cuts, or it would have nothing to do with the body
  const choices = choicesOf<PutWay>(names, WAY_PICTURES).filter(({ value }) => standing.onto || value !== 'lie');
  return (
    <ChoiceValue
      label={wordsOf('cut').labels.operation}
      value={way}
      shown={shown}
      choices={choices}
      onTry={trial.onTry}
      onChange={trial.onChange}
    />
  );
}

interface LaidProps extends PutSentenceProps {
  onto: OntoStep;
  edit: OntoEdit;
}

/** The values of how it is laid, of which both parts of the sentence take some. */
const laidValues = ({ onto, edit, ...props }: LaidProps): Record<string, ReactNode> =>
  stepNodes(onto, edit, toolsOf(props));

const toolsOf = ({ edits: { takeBack }, picked, others }: PutSentenceProps): FieldTools => ({
  takeBack,
  picked,
  others,
  readCurve: () => Promise.resolve(undefined),
});

/** A sentence itself, so that its marks stay with the values before them. */
function laidSentence(props: LaidProps): ReactNode {
  const { onto, side, standing } = props;
  const values = laidValues(props);
  const turned = onto.turnDegrees === 0 ? null : <Sentence template={T.turned} values={values} />;
  const letters = onto.letters.length > 0 && side === 'piece' ? T.onlyPicked : '';
  const at = heldPlaceChoice({ onto, put: props.edit });
  const off = isOff(onto) ? (
    <Sentence template={T.off} values={heldOff({ onto, put: props.edit, flat: standing.body?.flat })} />
  ) : null;
  const heldBy = isMany(props) ? values.heldBy : heldByOne(onto, props.edit);
  return <Sentence template={T.laid} values={{ ...values, turned, letters, at, off, heldBy }} />;
}

/** Whether the sentence is about words, as their own recipe has it; a piece is one. */
const isMany = ({ side, kind }: PutSentenceProps): boolean => side === 'piece' && kind === 'words';

/** A value itself, so that the mark after it stays with it. */
const heldByOne = (onto: OntoStep, put: OntoEdit): ReactNode => (
  <ChoiceValue
    label={wordsOf('onto').labels.heldBy}
    value={onto.heldBy}
    choices={choicesOf<OntoStep['heldBy']>(T.heldByOne)}
    usual="zero"
    onChange={(heldBy) => put({ ...onto, heldBy })}
  />
);

function MoreLaid(props: LaidProps) {
  const { onto, standing } = props;
  const values = laidValues(props);
  const isOnSide = onto.place.kind === 'side';
  const turned = onto.turnDegrees === 0 ? <Sentence template={T.moreTurned} values={values} /> : null;
  const off =
    isOnSide && !isOff(onto) ? (
      <Sentence template={T.moreOff} values={heldOff({ onto, put: props.edit, flat: standing.body?.flat })} />
    ) : null;
  const pressed = isOnSide ? null : <Sentence template={T.morePressed} values={values} />;
  return <Sentence template={T.more} values={{ ...values, turned, off, pressed }} />;
}
