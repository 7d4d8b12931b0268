import { ALONG, fieldAt, SIDE, SOLID, type Solid, SWELL } from '@fictile/core';
import { choicesOf, ChoiceValue, Sentence, useTrial } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import type { PieceEdits } from '../pieceEdits.ts';
import { PICTURES, number } from '../../fields/index.ts';
import classes from '../Recipe.module.css';
import { sideAsKind } from './kindChange.ts';

interface MoreSolidProps {
  solid: Solid;
  put: PieceEdits['solid'];
  takeBack: PieceEdits['takeBack'];
}

const T = texts.recipe;

/** What most solids have nothing of, a line of thought each: side, edges, swelling, along the depth. */
export function MoreSolid(props: MoreSolidProps) {
  const values = {
    ...sideValues(props),
    side: <SideKind {...props} />,
    ...edgeValues(props),
    ...swellValues(props),
    ...alongValues(props),
  };
  return T.moreSolid.map((template) => (
    <div key={template} className={classes.paragraph}>
      <Sentence template={template} values={values} />
    </div>
  ));
}

function SideKind({ solid: { side }, put, takeBack }: MoreSolidProps) {
  const trial = useTrial<Solid['side']['kind']>(
    (kind, key) => put({ side: { ...side, ...sideAsKind(side, kind) } }, key),
    takeBack,
  );
  return (
    <ChoiceValue
      label={T.solidSide}
      value={side.kind}
      choices={choicesOf(texts.sides, PICTURES.solidSides)}
      usual="straight"
      onTry={trial.onTry}
      onChange={trial.onChange}
    />
  );
}

function sideValues({ solid: { side, stepsBy }, put }: MoreSolidProps) {
  const set = (values: Partial<Solid['side']>, key?: string): void => put({ side: { ...side, ...values } }, key);
  const values = {
    amount: number(
      'side amount',
      SIDE.amountMm,
      { label: T.sideAmount, value: side.amountMm },
      { take: (amountMm, key) => set({ amountMm }, key) },
    ),
    steps: number(
      'side steps',
      SIDE.steps,
      { label: T.sideSteps, value: side.steps, unit: T.stepsUnit(side.steps) },
      { take: (steps, key) => set({ steps }, key) },
    ),
    divisions: number(
      'divisions',
      SIDE.divisions,
      { label: T.divisions, value: side.divisions, unit: T.divisionsUnit(side.divisions) },
      { take: (divisions, key) => set({ divisions }, key) },
    ),
  };
  const curved = stepsBy === 'count' ? T.sideCurved : T.sideWithin;
  const drawn = stepsBy === 'count' && side.points.some((knot) => knot.smooth) ? T.sideDrawn : T.sideWithin;
  const sizes = { straight: T.sideStraight, v: T.sideWithin, waist: curved, bulge: curved, drawn }[side.kind];
  return { sideSizes: <Sentence template={sizes} values={values} /> };
}

function edgeValues({ solid, put }: MoreSolidProps) {
  const { edgeSide, edgesAdd, stepsBy, corners, emboldenMm } = solid;
  return {
    edgeSide: (
      <ChoiceValue
        label={T.edgeSide}
        value={edgeSide}
        choices={choicesOf(texts.edgeSides, PICTURES.edgeSides)}
        usual="inward"
        onChange={(next) => put({ edgeSide: next })}
      />
    ),
    edgeDepth: (
      <ChoiceValue
        label={T.edgeDepth}
        value={edgesAdd ? 'added' : 'taken'}
        choices={choicesOf(texts.edgeDepths, PICTURES.edgeDepths)}
        usual="taken"
        onChange={(next) => put({ edgesAdd: next === 'added' })}
      />
    ),
    stepsBy: (
      <ChoiceValue
        label={T.stepsBy}
        value={stepsBy}
        choices={choicesOf(texts.stepsBy, PICTURES.stepsBy)}
        usual="count"
        onChange={(next) => put({ stepsBy: next })}
      />
    ),
    corners: (
      <ChoiceValue
        label={T.corners}
        value={corners}
        choices={choicesOf(texts.corners, PICTURES.corners)}
        usual="sharp"
        onChange={(next) => put({ corners: next })}
      />
    ),
    embolden: number(
      'embolden',
      SOLID.emboldenMm,
      { label: T.embolden, value: emboldenMm },
      { take: (next, key) => put({ emboldenMm: next }, key) },
    ),
  };
}

function swellValues({ solid: { swell }, put }: MoreSolidProps) {
  const set = (values: Partial<Solid['swell']>, key?: string): void => put({ swell: { ...swell, ...values } }, key);
  const shape = {
    curve: (
      <ChoiceValue
        label={T.swellCurve}
        value={swell.curve}
        choices={choicesOf(texts.swellCurves, PICTURES.swellCurves)}
        usual="soft"
        onChange={(curve) => set({ curve })}
      />
    ),
    steps: number(
      'swell steps',
      SWELL.steps,
      { label: T.swellSteps, value: swell.steps, unit: T.stepsUnit(swell.steps) },
      { take: (steps, key) => set({ steps }, key) },
    ),
  };
  const isSwollen = swell.frontMm > 0 || swell.backMm > 0;
  return {
    swellFront: number(
      'swell front',
      SWELL.frontMm,
      { label: T.swellFront, value: swell.frontMm },
      { take: (frontMm, key) => set({ frontMm }, key) },
    ),
    swellBack: number(
      'swell back',
      SWELL.backMm,
      { label: T.swellBack, value: swell.backMm },
      { take: (backMm, key) => set({ backMm }, key) },
    ),
    swell: isSwollen ? (
      <Sentence template={swell.curve === 'straight' ? T.swellStraight : T.swellShape} values={shape} />
    ) : null,
  };
}

function alongValues({ solid: { along }, put }: MoreSolidProps) {
  const { twistDegrees, taperPercent, shearMm, curveDegrees, towardDegrees, about } = along;
  const [x, y] = shearMm;
  const set = (values: Partial<Solid['along']>, key?: string): void => put({ along: { ...along, ...values } }, key);
  const toward = {
    toward: number(
      'toward',
      ALONG.towardDegrees,
      { label: T.bendWay, value: towardDegrees },
      { take: (next, key) => set({ towardDegrees: next }, key) },
    ),
  };
  const whole = {
    about: (
      <ChoiceValue
        label={T.about}
        value={about}
        choices={choicesOf(texts.abouts, PICTURES.abouts)}
        usual="whole"
        onChange={(next) => set({ about: next })}
      />
    ),
  };
  return {
    twist: number(
      'twist',
      ALONG.twistDegrees,
      { label: T.twist, value: twistDegrees },
      { take: (next, key) => set({ twistDegrees: next }, key) },
    ),
    taper: number(
      'taper',
      ALONG.taperPercent,
      { label: T.taper, value: taperPercent },
      { take: (next, key) => set({ taperPercent: next }, key) },
    ),
    x: number(
      'shear x',
      fieldAt(ALONG, ['shearMm', 0]),
      { label: T.shearAcross, value: x },
      { take: (next, key) => set({ shearMm: [next, y] }, key) },
    ),
    y: number(
      'shear y',
      fieldAt(ALONG, ['shearMm', 1]),
      { label: T.shearUp, value: y },
      { take: (next, key) => set({ shearMm: [x, next] }, key) },
    ),
    bend: number(
      'bend',
      ALONG.curveDegrees,
      { label: T.bend, value: curveDegrees },
      { take: (next, key) => set({ curveDegrees: next }, key) },
    ),
    toward: curveDegrees === 0 ? null : <Sentence template={T.bendToward} values={toward} />,
    about: twistDegrees === 0 && taperPercent === 0 ? null : <Sentence template={T.aboutWhat} values={whole} />,
  };
}
