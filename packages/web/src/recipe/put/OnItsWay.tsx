import { SimpleGrid, UnstyledButton, VisuallyHidden } from '@mantine/core';
import { useEffect, useRef } from 'react';
import { isWords, type OntoStep, type PutWay } from '@fictile/core';
import { wordsOf } from '@fictile/words';
import { afterMenu, choicesOf, ChoiceValue, Sentence } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import classes from '../Recipe.module.css';
import { Advised } from './Advised.tsx';
import { isOff } from './HeldPlaceChoice.tsx';
import { WAY_PICTURES } from './putPictures.tsx';
import type { Putting } from './putting.ts';

const LAID = wordsOf('onto');
const T = texts.put;
const A = T.act;

/** What is offered first; the others are in the sentence once it is put. */
const WAYS: readonly PutWay[] = ['lie', 'engrave', 'raise', 'through', 'imprint'];

/** A piece on its way onto a body: what will come of it, in the words that stand there afterwards. */
export function OnItsWay({ putting }: { putting: Putting }) {
  const { piece, onto, shown, asks } = putting;
  const isAdvised = shown?.onto?.advice !== undefined;
  const here = useRef<HTMLElement>(null);
  useEffect(() => void here.current?.scrollIntoView({ block: 'nearest' }), [piece?.id, isAdvised]);
  // keys are heard wherever the focus is, but a button would be pressed by Enter
  useEffect(() => afterMenu(() => here.current?.focus({ preventScroll: true })), []);
  return (
    <section
      ref={here}
      tabIndex={-1}
      className={classes.onItsWay}
      aria-label={A.title}
      data-on-its-way
      data-testid="on its way"
    >
      <span className={classes.stepHead}>
        <span className={classes.figures}>{A.notYet}</span>
      </span>
      {piece && onto && <WaySentence putting={putting} onto={onto} />}
      {asks && <Asked putting={putting} asks={asks} />}
      {piece && <WayCards putting={putting} />}
      {onto && shown?.onto?.advice && putting.way !== 'through' && (
        <Advised onto={onto} advice={shown.onto.advice} box={shown.onto.options.box} onLay={putting.setMethod} />
      )}
      <div className={classes.actions}>
        <UnstyledButton className={classes.putHere} disabled={!onto} onClick={putting.take}>
          {A.here}
        </UnstyledButton>
        <UnstyledButton className={classes.unlock} onClick={putting.leave}>
          {A.leave}
        </UnstyledButton>
      </div>
      <VisuallyHidden role="status">{A.held}</VisuallyHidden>
    </section>
  );
}

function WaySentence({ putting, onto }: { putting: Putting; onto: OntoStep }) {
  const { piece, body, way, cut, sizeMm } = putting;
  if (!piece) return null;
  const many = isWords(piece) ? 'many' : 'one';
  const inSentence: Partial<Record<PutWay, string>> = T.inSentence[many];
  const { place } = onto;
  const at = place.kind === 'pressed' ? T.pressed : (isOff(onto) ? T.sidesOff : T.sides)[place.side];
  const off = place.kind === 'side' && isOff(onto) && (
    <Sentence
      template={T.off}
      values={{
        across: texts.view.mm(place.acrossMm),
        acrossFrom: T.acrossFroms[place.acrossFrom],
        up: texts.view.mm(place.upMm),
        upFrom: T.upFroms[place.upFrom],
      }}
    />
  );
  const values = {
    piece: T.these[piece.source.kind],
    way: inSentence[way] ?? T.ways[many][way],
    body: body?.name ?? '',
    sinkMm: texts.view.mm(cut.sinkMm),
    raiseMm: cut.raiseMm === 0 ? wordsOf('cut').zeros?.raiseMm : texts.view.mm(cut.raiseMm),
    leanPercent: texts.view.percent(cut.leanPercent),
    laid: (
      <Sentence
        template={T.laid + '{size}'}
        values={{
          method: (
            <ChoiceValue
              label={LAID.labels.method}
              value={onto.method}
              choices={choicesOf<OntoStep['method']>(LAID.choices?.method ?? {})}
              onChange={putting.setMethod}
            />
          ),
          turned: onto.turnDegrees !== 0 && (
            <Sentence template={T.turned} values={{ turnDegrees: texts.view.degrees(onto.turnDegrees) }} />
          ),
          heldBy: many === 'many' ? LAID.choices?.heldBy[onto.heldBy] : T.heldByOne[onto.heldBy],
          size: sizeMm !== undefined && <Sentence template={T.act.size} values={{ size: texts.view.mm(sizeMm) }} />,
          at,
          off,
        }}
      />
    ),
  };
  return <Sentence template={T.sentences[way]} values={values} />;
}

/** What is missing: pressed in the view, or taken here. */
function Asked({ putting, asks }: { putting: Putting; asks: NonNullable<Putting['asks']> }) {
  const isBody = asks.for === 'body';
  const isNone = isBody && asks.among.length === 0;
  return (
    <div>
      <div className={classes.hint}>{isNone ? A.noBody : isBody ? A.pressBody : A.pressPiece}</div>
      <div className={classes.actions}>
        {asks.among.map(({ id, name }) => (
          <UnstyledButton
            key={id}
            className={classes.unlock}
            onClick={() => (isBody ? putting.pickBody(id) : putting.pickPiece(id))}
          >
            {(isBody ? A.pickBody : A.pickPiece)(name || texts.pieces.newWords)}
          </UnstyledButton>
        ))}
        {!isBody && (
          <UnstyledButton className={classes.unlock} onClick={() => putting.pickPiece(undefined)}>
            {A.newWords}
          </UnstyledButton>
        )}
        {isNone && (
          <UnstyledButton className={classes.unlock} onClick={putting.addSlab}>
            {A.addSlab}
          </UnstyledButton>
        )}
      </div>
    </div>
  );
}

function WayCards({ putting }: { putting: Putting }) {
  const names = T.ways[putting.piece && isWords(putting.piece) ? 'many' : 'one'];
  return (
    <SimpleGrid
      cols={3}
      spacing={7}
      verticalSpacing={7}
      my={8}
      role="group"
      aria-label={wordsOf('cut').labels.operation}
    >
      {WAYS.map((way) => (
        <UnstyledButton
          key={way}
          className={classes.way}
          aria-pressed={way === putting.way}
          onClick={() => putting.setWay(way)}
        >
          {WAY_PICTURES[way]}
          {names[way]}
        </UnstyledButton>
      ))}
    </SimpleGrid>
  );
}
