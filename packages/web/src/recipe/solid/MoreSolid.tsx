import type { Solid } from '@fictile/core';
import { choicesOf, ChoiceValue, Sentence, useTrial } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { PICTURES } from '../pictures.tsx';
import type { PieceEdits } from '../pieceEdits.ts';
import classes from '../Recipe.module.css';
import { number, USUAL } from '../sentenceParts.tsx';
import { sideAsKind } from './kindChange.ts';

interface Props {
  solid: Solid;
  put: PieceEdits['solid'];
  takeBack: PieceEdits['takeBack'];
}

const LENGTH = { kind: 'length', unit: 'mm', min: 0, max: 1000, step: 0.5 } as const;
const WHOLE = { kind: 'plain', unit: '', step: 1, min: 1, max: 64, whole: true } as const;
const T = texts.recipe;

/** What most solids have nothing of, a line of thought each: side, edges, swelling, along the depth. */
export function MoreSolid(props: Props) {
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

function SideKind({ solid: { side }, put, takeBack }: Props) {
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

function sideValues({ solid: { side, stepsBy }, put }: Props) {
  const usual = USUAL.body.solid.side;
  const set = (values: Partial<Solid['side']>, key?: string): void => put({ side: { ...side, ...values } }, key);
  const values = {
    amount: number('side amount', { ...LENGTH, label: T.sideAmount, value: side.amountMm, usual: usual.amountMm }, (amountMm, key) => set({ amountMm }, key)),
    steps: number('side steps', { ...WHOLE, label: T.sideSteps, value: side.steps, usual: usual.steps }, (steps, key) => set({ steps }, key)),
    divisions: number('divisions', { ...WHOLE, label: T.divisions, value: side.divisions, unit: T.divisionsUnit(side.divisions), max: 200, usual: 1 }, (divisions, key) => set({ divisions }, key)),
  }; // prettier-ignore
  const curved = stepsBy === 'count' ? T.sideCurved : T.sideWithin;
  const drawn = stepsBy === 'count' && side.points.some((knot) => knot.smooth) ? T.sideDrawn : T.sideWithin;
  const sizes = { straight: T.sideStraight, v: T.sideWithin, waist: curved, bulge: curved, drawn }[side.kind];
  return { sideSizes: <Sentence template={sizes} values={values} /> };
}

function edgeValues({ solid, put }: Props) {
  const { edgeSide, edgesAdd, stepsBy, corners, emboldenMm } = solid;
  return {
    edgeSide: <ChoiceValue label={T.edgeSide} value={edgeSide} choices={choicesOf(texts.edgeSides, PICTURES.edgeSides)} usual="inward" onChange={(next) => put({ edgeSide: next })} />,
    edgeDepth: <ChoiceValue label={T.edgeDepth} value={edgesAdd ? 'added' : 'taken'} choices={choicesOf(texts.edgeDepths, PICTURES.edgeDepths)} usual="taken" onChange={(next) => put({ edgesAdd: next === 'added' })} />,
    stepsBy: <ChoiceValue label={T.stepsBy} value={stepsBy} choices={choicesOf(texts.stepsBy, PICTURES.stepsBy)} usual="count" onChange={(next) => put({ stepsBy: next })} />,
    corners: <ChoiceValue label={T.corners} value={corners} choices={choicesOf(texts.corners, PICTURES.corners)} usual="sharp" onChange={(next) => put({ corners: next })} />,
    embolden: number('embolden', { ...LENGTH, label: T.embolden, value: emboldenMm, min: -1000, usual: 0 }, (next, key) => put({ emboldenMm: next }, key)),
  }; // prettier-ignore
}

function swellValues({ solid: { swell }, put }: Props) {
  const set = (values: Partial<Solid['swell']>, key?: string): void => put({ swell: { ...swell, ...values } }, key);
  const shape = {
    curve: <ChoiceValue label={T.swellCurve} value={swell.curve} choices={choicesOf(texts.swellCurves, PICTURES.swellCurves)} usual="soft" onChange={(curve) => set({ curve })} />,
    steps: number('swell steps', { ...WHOLE, label: T.swellSteps, value: swell.steps, usual: USUAL.body.solid.swell.steps }, (steps, key) => set({ steps }, key)),
  }; // prettier-ignore
  const isSwollen = swell.frontMm > 0 || swell.backMm > 0;
  return {
    swellFront: number('swell front', { ...LENGTH, label: T.swellFront, value: swell.frontMm, usual: 0 }, (frontMm, key) => set({ frontMm }, key)),
    swellBack: number('swell back', { ...LENGTH, label: T.swellBack, value: swell.backMm, usual: 0 }, (backMm, key) => set({ backMm }, key)),
    swell: isSwollen ? <Sentence template={swell.curve === 'straight' ? T.swellStraight : T.swellShape} values={shape} /> : null,
  }; // prettier-ignore
}

function alongValues({ solid: { along }, put }: Props) {
  const { twistDegrees, taperPercent, shearMm, curveDegrees, towardDegrees, about } = along;
  const [x, y] = shearMm;
  const set = (values: Partial<Solid['along']>, key?: string): void => put({ along: { ...along, ...values } }, key);
  const degrees = { kind: 'angle', unit: '°', step: 1, usual: 0, min: -3600, max: 3600 } as const;
  const shift = { kind: 'length', unit: 'mm', min: -100_000, max: 100_000, step: 1, usual: 0 } as const;
  const toward = { toward: number('toward', { ...degrees, label: T.bendWay, value: towardDegrees, usual: 180 }, (next, key) => set({ towardDegrees: next }, key)) }; // prettier-ignore
  const whole = { about: <ChoiceValue label={T.about} value={about} choices={choicesOf(texts.abouts, PICTURES.abouts)} usual="whole" onChange={(next) => set({ about: next })} /> }; // prettier-ignore
  return {
    twist: number('twist', { ...degrees, label: T.twist, value: twistDegrees }, (next, key) => set({ twistDegrees: next }, key)),
    taper: number('taper', { label: T.taper, value: taperPercent, kind: 'plain', unit: '%', min: -1000, max: 99, step: 5, usual: 0 }, (next, key) => set({ taperPercent: next }, key)),
    x: number('shear x', { ...shift, label: T.shearAcross, value: x }, (next, key) => set({ shearMm: [next, y] }, key)),
    y: number('shear y', { ...shift, label: T.shearUp, value: y }, (next, key) => set({ shearMm: [x, next] }, key)),
    bend: number('bend', { ...degrees, label: T.bend, value: curveDegrees, min: -85, max: 85 }, (next, key) => set({ curveDegrees: next }, key)),
    toward: curveDegrees === 0 ? null : <Sentence template={T.bendToward} values={toward} />,
    about: twistDegrees === 0 && taperPercent === 0 ? null : <Sentence template={T.aboutWhat} values={whole} />,
  }; // prettier-ignore
}
