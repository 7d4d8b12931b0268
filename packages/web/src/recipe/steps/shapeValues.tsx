import { FileButton, UnstyledButton } from '@mantine/core';
import {
  courseOf,
  usualCurveLine,
  usualStep,
  type Course,
  type FreeCurve,
  type ShapeStep,
  type StepPath,
  type StepPlace,
} from '@fictile/core';
import type { ReactNode } from 'react';
import {
  choicesOf,
  ChoiceValue,
  CourseValue,
  DRAWINGS,
  Sentence,
  useTrial,
  type NumberValueProps,
} from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import { PieceChoice, type OtherPiece } from '../BodyChapter.tsx';
import { KnotSentence } from '../KnotSentence.tsx';
import type { EditKey, PieceEdits } from '../pieceEdits.ts';
import classes from '../Recipe.module.css';
import { limits, number } from '../sentenceParts.tsx';
import { readHeights } from './readHeights.ts';
import { GuideLine } from './GuideLine.tsx';
import { LettersChoice } from './LettersChoice.tsx';
import { CHARACTER_PICTURES } from './stepPictures.tsx';

const T = texts.shape;
const L = T.labels;

export interface ShapeTools {
  /** a key joins a drag */
  put: (step: ShapeStep, key?: EditKey) => void;
  takeBack: PieceEdits['takeBack'];
  /** letters that are worked on */
  picked: readonly number[];
  readCurve: (file: File) => Promise<FreeCurve | undefined>;
  /** the other pieces, as they are shown */
  others: readonly OtherPiece[];
}

type Kind = ShapeStep['kind'];
type Of<K extends Kind> = Extract<ShapeStep, { kind: K }>;

/** The values of a shape step's sentence, by their slots. */
export function shapeValues(step: ShapeStep, tools: ShapeTools): Record<string, ReactNode> {
  const f = new Fields(step, tools);
  switch (step.kind) {
    case 'bend':
      return { angle: f.degrees('angleDegrees', L.angle), axis: f.tried('axis', L.axis, T.bendAxes), span: f.span(), keeps: f.choice('keeps', L.keeps, T.keeps), about: f.about(), toward: f.degrees('towardDegrees', L.toward) };
    case 'twist':
      return { angle: f.degrees('angleDegrees', L.angle), ...f.alongValues() };
    case 'taper':
    case 'stretch':
    case 'pinch':
      return { percent: f.percent('percent', L.percent), ...f.alongValues() };
    case 'shear':
      return { first: f.part('byMm', 0, L.first), second: f.part('byMm', 1, L.second), ...f.alongValues() };
    case 'bulge':
      return { height: f.mm('heightMm', L.height), form: f.tried('shape', L.form, T.bulges), barrel: step.shape === 'barrel' ? <> {f.axis()}</> : null, solid: f.flag('solid', L.solid, { on: T.solids.all, off: T.solids.front }) };
    case 'wave':
      return { ...f.displacing(), length: f.mm('lengthMm', L.length), toward: f.degrees('towardDegrees', L.toward), phase: f.degrees('phaseDegrees', L.phase) };
    case 'noise':
      return {
        ...f.displacing(),
        character: f.tried('character', L.character, T.characters, CHARACTER_PICTURES),
        size: f.mm('sizeMm', L.size),
        detail: f.count('detail', L.detail, T.detailUnit(step.detail)),
        seed: f.count('seed', L.seed, ''),
        outward: f.flag('outwardOnly', L.outward, { on: T.outwards.only, off: T.outwards.both }),
        drift: f.count('drift', L.drift, T.perSecond),
      };
    case 'relief':
      return {
        ...f.displacing(),
        picture: <PictureFile step={step} put={tools.put} />,
        width: f.mm('widthMm', L.width),
        across: f.part('atMm', 0, L.x),
        up: f.part('atMm', 1, L.y),
        repeats: f.flag('repeats', L.repeats, { on: T.repeatses.tiled, off: T.repeatses.once }),
      };
    case 'run':
      return runValues(step, f);
    case 'repeat':
      return { count: f.count('count', L.count, T.countUnit(step.count)), axis: f.axis(), gap: f.mm('gapMm', L.gap) };
    case 'scatter':
      return scatterValues(step, f);
    case 'onto':
      return ontoValues(step, f, tools);
  }
} // prettier-ignore

function runValues(step: Of<'run'>, f: Fields): Record<string, ReactNode> {
  return {
    path: <PathKind step={step} tools={f.tools} />,
    form: <PathValues step={step} tools={f.tools} />,
    axis: f.choice('axis', L.axis, T.runAxes),
    fit: f.choice('fit', L.fit, T.fits),
    from: f.percent('fromPercent', L.from),
    to: f.percent('toPercent', L.to),
    shift: f.mm('shiftMm', L.shift),
    ends: f.choice('ends', L.ends, T.ends),
    upright: f.choice('up', L.upright, T.ups),
    roll: f.degrees('rollDegrees', L.roll),
    sizeCourse: f.course('size', L.size, { min: 0, max: 300, unit: '%' }),
    rollCourse: f.course('roll', L.roll, { min: -360, max: 360, unit: '°' }),
  };
}

function scatterValues(step: Of<'scatter'>, f: Fields): Record<string, ReactNode> {
  const how = step.by === 'course' ? f.course('course', L.strength, { min: -1, max: 1, unit: '' }) : f.count('seed', L.seed, ''); // prettier-ignore
  return {
    by: f.choice('by', L.by, T.scatterBys),
    how: <> ({how})</>,
    across: f.part('moveMm', 0, L.x),
    up: f.part('moveMm', 1, L.y),
    forward: f.part('moveMm', 2, L.z),
    turnX: f.part('turnDegrees', 0, L.x, 'angle'),
    turnY: f.part('turnDegrees', 1, L.y, 'angle'),
    turnZ: f.part('turnDegrees', 2, L.z, 'angle'),
    scale: f.percent('scalePercent', L.scale),
    rigid: f.flag('rigid', L.rigid, { on: T.rigids.rigid, off: T.rigids.bent }),
  };
}

function ontoValues(step: Of<'onto'>, f: Fields, { put }: ShapeTools): Record<string, ReactNode> {
  const [x, y, z] = [L.x, L.y, L.z].map((label, k) => f.part('fromMm', k, label));
  return {
    method: f.tried('method', L.method, T.methods),
    letters: <LettersChoice letters={step.letters} picked={f.tools.picked} onChange={(letters) => put({ ...step, letters })} />,
    guide: step.method === 'round' ? <Sentence template={T.guideEnd} values={{ guide: f.tried('guide', L.guide, T.guides), line: <GuideLine step={step} put={put} /> }} /> : null,
    turn: f.degrees('turnDegrees', L.turn),
    lift: f.mm('liftMm', L.lift),
    heldBy: f.choice('heldBy', L.heldBy, T.heldBys),
    x, y, z,
    overhang: f.choice('overhang', L.overhang, T.overhangs),
    rigid: f.flag('rigid', L.rigid, { on: T.rigids.rigid, off: T.rigids.bent }),
  };
} // prettier-ignore

type Loose = Record<string, unknown>;

/** Values of a step by the names of its fields. What a field is worth is checked by the schema when the edit is made. */
class Fields {
  readonly #step: ShapeStep;
  readonly tools: ShapeTools;

  constructor(step: ShapeStep, tools: ShapeTools) {
    this.#step = step;
    this.tools = tools;
  }

  #value<T>(field: string): T {
    return (this.#step as unknown as Loose)[field] as T;
  }

  #usual<T>(field: string): T {
    return (usualStep(this.#step.kind, 'usual') as unknown as Loose)[field] as T;
  }

  #put(values: Loose, key?: EditKey): void {
    this.tools.put({ ...this.#step, ...values } as ShapeStep, key);
  }

  #number(field: string, label: string, as: Pick<NumberValueProps, 'kind' | 'unit'>): ReactNode {
    const rest = { label, ...as, ...limits(this.#step.kind, field), step: 1, value: this.#value<number>(field) };
    return number(field, { ...rest, usual: this.#usual(field) }, (value, key) => this.#put({ [field]: value }, key));
  }

  mm(field: string, label: string): ReactNode {
    return this.#number(field, label, { kind: 'length', unit: 'mm' });
  }

  degrees(field: string, label: string): ReactNode {
    return this.#number(field, label, { kind: 'angle', unit: '°' });
  }

  percent(field: string, label: string): ReactNode {
    return this.#number(field, label, { kind: 'plain', unit: '%' });
  }

  count(field: string, label: string, unit: string): ReactNode {
    return this.#number(field, label, { kind: 'plain', unit });
  }

  /** One of several numbers that belong together. */
  part(field: string, k: number, label: string, kind: 'length' | 'angle' = 'length'): ReactNode {
    const all = this.#value<number[]>(field);
    const unit = kind === 'angle' ? '°' : 'mm';
    const rest = {
      label,
      value: all[k],
      kind,
      unit,
      ...limits(this.#step.kind, field, k),
      step: 1,
      usual: this.#usual<number[]>(field)[k],
    };
    const put = (value: number, key?: EditKey): void =>
      this.#put({ [field]: all.map((old, i) => (i === k ? value : old)) }, key);
    return number(`${field} ${k}`, rest, put);
  }

  choice(field: string, label: string, names: Readonly<Record<string, string>>): ReactNode {
    return <ChoiceValue label={label} value={this.#value<string>(field)} choices={choicesOf(names)} usual={this.#usual<string>(field)} onChange={(value) => this.#put({ [field]: value })} />; // prettier-ignore
  }

  /** Shown on the letters as it is reached. */
  tried(
    field: string,
    label: string,
    names: Readonly<Record<string, string>>,
    pictures?: Readonly<Record<string, ReactNode>>,
  ): ReactNode {
    return <TriedValue label={label} value={this.#value<string>(field)} names={names} pictures={pictures} usual={this.#usual<string>(field)} put={(value, key) => this.#put({ [field]: value }, key)} takeBack={this.tools.takeBack} />; // prettier-ignore
  }

  flag(field: string, label: string, { on, off }: { on: string; off: string }): ReactNode {
    const word = (value: boolean): 'on' | 'off' => (value ? 'on' : 'off');
    return <ChoiceValue label={label} value={word(this.#value(field))} choices={choicesOf({ on, off })} usual={word(this.#usual(field))} onChange={(value) => this.#put({ [field]: value === 'on' })} />; // prettier-ignore
  }

  axis(): ReactNode {
    return this.tried('axis', L.axis, T.axes);
  }

  span(): ReactNode {
    const word = this.#value<boolean>('whole') ? 'whole' : 'between';
    const span = <ChoiceValue label={L.span} value={word} choices={choicesOf(T.spans)} usual="whole" onChange={(value) => this.#put({ whole: value === 'whole' })} />; // prettier-ignore
    if (word === 'whole') return span;
    return <Sentence template={T.spanBetween} values={{ span, from: this.mm('fromMm', L.from), to: this.mm('toMm', L.to) }} />; // prettier-ignore
  }

  about(): ReactNode {
    const isMiddle = this.#value<boolean>('middle');
    const about = <ChoiceValue label={L.about} value={isMiddle ? 'middle' : 'point'} choices={choicesOf(T.abouts)} usual="middle" onChange={(value) => this.#put({ middle: value === 'middle' })} />; // prettier-ignore
    if (isMiddle) return about;
    const [x, y, z] = [L.x, L.y, L.z].map((label, k) => this.part('centreMm', k, label));
    return <Sentence template={T.aboutPoint} values={{ about, x, y, z }} />;
  }

  alongValues(): Record<string, ReactNode> {
    const has = (field: string): boolean => field in this.#step;
    return {
      axis: this.axis(),
      span: this.span(),
      ...(has('ease') && { ease: this.choice('ease', L.ease, T.eases) }),
      ...(has('middle') && { about: this.about() }),
    };
  }

  displacing(): Record<string, ReactNode> {
    return {
      height: this.mm('heightMm', L.height),
      moves: this.choice('moves', L.moves, T.moves),
      where: <WhereValues where={this.#value('where')} picked={this.tools.picked} put={(where, key) => this.#put({ where }, key)} />,
    }; // prettier-ignore
  }

  course(field: string, label: string, { min, max, unit }: { min: number; max: number; unit: string }): ReactNode {
    const course = this.#value<Course>(field);
    const values = course.map(({ value }) => value);
    const [low, high] = [Math.min(...values), Math.max(...values)];
    return (
      <CourseValue
        label={T.course.label(label, low, high, unit)}
        shown={low === high ? T.course.same(low, unit) : T.course.between(low, high, unit)}
        help={T.course.help}
        pointName={T.course.point}
        course={course}
        min={min}
        max={max}
        curve={courseOf(course)}
        onChange={(next, isDrag) => this.#put({ [field]: next }, isDrag ? field : undefined)}
      />
    );
  }
}

interface TriedProps {
  label: string;
  value: string;
  names: Readonly<Record<string, string>>;
  pictures?: Readonly<Record<string, ReactNode>>;
  usual: string;
  put: (value: string, key?: EditKey) => void;
  takeBack: PieceEdits['takeBack'];
}

function TriedValue({ label, value, names, pictures, usual, put, takeBack }: TriedProps) {
  const trial = useTrial<string>(put, takeBack);
  return <ChoiceValue label={label} value={value} choices={choicesOf(names, pictures)} usual={usual} onTry={trial.onTry} onChange={trial.onChange} />; // prettier-ignore
}

interface WhereProps {
  where: StepPlace;
  picked: readonly number[];
  put: (where: StepPlace, key?: string) => void;
}

/** Where a step acts: in a place, on parts, on letters. */
function WhereValues({ where, picked, put }: WhereProps) {
  const set = (values: Partial<StepPlace>, key?: string): void => put({ ...where, ...values }, key);
  const mm = (path: ['softMm'] | ['centreMm' | 'sizeMm', number], label: string): ReactNode => {
    const [field, k] = path;
    const value = k === undefined ? where.softMm : (where[field] as number[])[k];
    const put = (next: number): Partial<StepPlace> =>
      k === undefined
        ? { softMm: next }
        : { [field]: (where[field] as number[]).map((old, i) => (i === k ? next : old)) };
    return number(
      `where ${label}`,
      { label, value, kind: 'length', unit: 'mm', ...limits('noise', 'where', ...path), step: 1 },
      (next, key) => set(put(next), key),
    );
  };
  const inside = {
    size: mm(['sizeMm', 0], L.size), sizeY: mm(['sizeMm', 1], L.size), sizeZ: mm(['sizeMm', 2], L.size),
    x: mm(['centreMm', 0], L.x), y: mm(['centreMm', 1], L.y), z: mm(['centreMm', 2], L.z),
    soft: mm(['softMm'], L.soft),
    axis: <ChoiceValue label={L.axis} value={where.axis} choices={choicesOf(T.axes)} usual="x" onChange={(axis) => set({ axis })} />,
  }; // prettier-ignore
  const values = {
    place: <ChoiceValue label={L.place} value={where.kind} choices={choicesOf(T.places)} usual="all" onChange={(kind) => set({ kind })} />,
    parts: <ChoiceValue label={L.parts} value={where.parts} choices={choicesOf(T.parts)} usual="all" onChange={(parts) => set({ parts })} />,
    letters: <LettersChoice letters={where.letters} picked={picked} onChange={(letters) => set({ letters })} />,
    rest: <Sentence template={T.placeValues[where.kind]} values={inside} />,
  }; // prettier-ignore
  return <Sentence template={T.whereEnd} values={values} />;
}

function PictureFile({ step, put }: { step: Of<'relief'>; put: ShapeTools['put'] }) {
  const take = async (file: File | null): Promise<void> => {
    const read = file ? await readHeights(file) : undefined;
    if (read) put({ ...step, ...read });
  };
  return (
    <FileButton accept="image/*" onChange={(file) => void take(file)}>
      {(props) => (
        <UnstyledButton {...props} className={classes.unlock}>
          {step.columns > 1 ? T.pictureSize(step.columns, step.rows) : T.chooseFile}
        </UnstyledButton>
      )}
    </FileButton>
  );
}

/** Lines to begin with, about as large as the words usually are. */
const PATHS: { [K in StepPath['kind']]: Extract<StepPath, { kind: K }> } = {
  ring: { kind: 'ring', radiusMm: 100 },
  spiral: { kind: 'spiral', innerMm: 30, outerMm: 120, turns: 2 },
  ripple: { kind: 'ripple', lengthMm: 200, heightMm: 40, waves: 3 },
  coil: { kind: 'coil', radiusMm: 80, riseMm: 90, turns: 1 },
  drawn: { kind: 'drawn', curve: usualCurveLine(400).curve },
  edge: { kind: 'edge', target: '', atMm: [0, 0, 0], reversed: false },
  places: { kind: 'places', placesMm: [[-100, 0, 0], [100, 0, 0]], closed: false, up: [0, 1, 0] },
}; // prettier-ignore

/** The top edge before a piece. */
function edgeOf(target: string, others: readonly OtherPiece[]): StepPath {
  const box = others.find(({ id }) => id === target)?.flat;
  const [x, y, z] = box ? [(box.low[0] + box.high[0]) / 2, box.high[1], box.high[2]].map(Math.round) : [0, 0, 0];
  return { kind: 'edge', target, atMm: [x, y, z], reversed: false };
}

/** An edge needs another piece, and places in space are not drawn here. */
function pathKinds(present: StepPath['kind'], others: readonly OtherPiece[]): StepPath['kind'][] {
  return (Object.keys(PATHS) as StepPath['kind'][]).filter(
    (kind) => kind === present || (kind === 'edge' ? others.length > 0 : kind !== 'places'),
  );
}

function PathKind({ step, tools: { put, takeBack, others } }: { step: Of<'run'>; tools: ShapeTools }) {
  const first = (others.find(({ isBody }) => isBody) ?? others[0])?.id ?? '';
  const along = (kind: StepPath['kind']): Of<'run'> => {
    if (kind === step.path.kind) return step;
    // most edges that take letters are level: a rim, a belly, the top of a tile
    return kind === 'edge' ? { ...step, path: edgeOf(first, others), ends: 'round', up: 'upright' } : { ...step, path: PATHS[kind] };
  };
  const kinds = pathKinds(step.path.kind, others);
  const trial = useTrial<StepPath['kind']>((kind, key) => put(along(kind), key), takeBack);
  return <ChoiceValue label={L.path} value={step.path.kind} choices={choicesOf(T.paths).filter(({ value }) => kinds.includes(value))} usual="coil" onTry={trial.onTry} onChange={trial.onChange} />;
} // prettier-ignore

type EdgePath = Extract<StepPath, { kind: 'edge' }>;

function edgeValues(path: EdgePath, others: readonly OtherPiece[], set: (values: Loose, key?: string) => void): Record<string, ReactNode> {
  const part = (k: number, label: string): ReactNode => number(`path at ${k}`, { label, value: path.atMm[k], kind: 'length', unit: 'mm', ...limits('run', 'path', 'edge', 'atMm', k), step: 1 }, (value, key) => set({ atMm: path.atMm.map((v, i) => (i === k ? value : v)) }, key));
  return {
    piece: <PieceChoice label={L.edgeOf} value={path.target} others={others} onChange={(target) => set(edgeOf(target, others))} />,
    x: part(0, L.x), y: part(1, L.y), z: part(2, L.z),
    reversed: <ChoiceValue label={L.reversed} value={path.reversed ? 'on' : 'off'} choices={choicesOf(T.reverseds)} usual="off" onChange={(next) => set({ reversed: next === 'on' })} />,
  };
} // prettier-ignore

function PathValues({ step, tools: { put, readCurve, others } }: { step: Of<'run'>; tools: ShapeTools }) {
  const { path } = step;
  const set = (values: Loose, key?: string): void => put({ ...step, path: { ...path, ...values } as StepPath }, key);
  const held = path as unknown as Record<string, number>;
  // a slot of the sentence of another kind of path asks for nothing
  const value = (field: string, rest: Pick<NumberValueProps, 'label' | 'kind' | 'unit' | 'step'>): ReactNode =>
    field in path ? number(`path ${field}`, { ...rest, ...limits('run', 'path', path.kind, field), value: held[field] }, (next, key) => set({ [field]: next }, key)) : null;
  const mm = (field: string, label: string): ReactNode => value(field, { label, kind: 'length', unit: 'mm', step: 5 });
  const count = (field: string, label: string, unit: string): ReactNode => value(field, { label, kind: 'plain', unit, step: 0.25 });
  const values: Record<string, ReactNode> = {
    radius: mm('radiusMm', L.radius), inner: mm('innerMm', L.inner), outer: mm('outerMm', L.outer),
    length: mm('lengthMm', L.length), height: mm('heightMm', L.height), rise: mm('riseMm', L.rise),
    turns: count('turns', L.turns, T.turnsUnit(held.turns)), waves: count('waves', L.waves, T.wavesUnit(held.waves)),
    knots: path.kind === 'drawn' && <KnotSentence curve={path.curve} onCurve={(curve, key) => set({ curve }, key)} />,
    file: path.kind === 'drawn' && (
      <FileButton accept={DRAWINGS} onChange={(file) => file && void readCurve(file).then((curve) => curve && set({ curve }))}>
        {(props) => <UnstyledButton {...props} className={classes.unlock}>{T.pathFile}</UnstyledButton>}
      </FileButton>
    ),
    ...(path.kind === 'edge' && edgeValues(path, others, set)),
  };
  return <Sentence template={T.pathValues[path.kind]} values={values} />;
} // prettier-ignore
