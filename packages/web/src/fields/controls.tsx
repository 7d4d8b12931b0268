import { courseOf, LIMITS, type CoursePoint, type Field, type FieldKind } from '@fictile/core';
import {
  choicesOf,
  ChoiceValue,
  CourseValue,
  NumberValue,
  PlacesValue,
  shownAs,
  UNIT_SIGNS,
  useTrial,
  type PlaceOf3,
} from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { PieceChoice } from './PieceChoice.tsx';
import { fieldNodes, type Control, type ControlProps, type FieldRecord } from './fieldNodes.tsx';
import { LettersChoice } from './LettersChoice.tsx';
import { LineValue } from './LineValue.tsx';
import { PictureFile } from './PictureFile.tsx';
import { WhereValue } from './WhereValue.tsx';

const labelOf = ({ label, slot }: ControlProps): string => label ?? slot;

/** A number whose drags and arrow keys join under its name. */
function NumberControl(props: ControlProps) {
  const { field, slot, put, record } = props;
  const value = props.value as number;
  const named = record.words.units?.[slot];
  return (
    <NumberValue
      {...shownAs(field)}
      label={labelOf(props)}
      value={value}
      {...(named !== undefined && { unit: typeof named === 'function' ? named(value) : named })}
      zero={record.words.zeros?.[slot]}
      usual={props.usual as number}
      onChange={(next, isDrag) => put(next, isDrag ? slot : undefined)}
    />
  );
}

/** Shown on the letters as it is reached. */
function ChoiceControl(props: ControlProps) {
  const { slot, put, record } = props;
  const trial = useTrial<string>(put, record.tools.takeBack);
  return (
    <ChoiceValue
      label={labelOf(props)}
      value={props.value as string}
      choices={choicesOf<string>(record.words.choices?.[slot] ?? {}, record.pictures?.[slot])}
      usual={props.usual as string}
      onTry={trial.onTry}
      onChange={trial.onChange}
    />
  );
}

const wordOf = (value: unknown): 'on' | 'off' => (value ? 'on' : 'off');

function FlagControl(props: ControlProps) {
  const { slot, put, record } = props;
  return (
    <ChoiceValue
      label={labelOf(props)}
      value={wordOf(props.value)}
      choices={choicesOf<string>(record.words.choices?.[slot] ?? {})}
      usual={wordOf(props.usual)}
      onChange={(value) => put(value === 'on')}
    />
  );
}

const C = texts.shape.course;

function CourseControl(props: ControlProps) {
  const { field, slot, put } = props;
  const { min, max, unit } = field.shown as NonNullable<Field['shown']>;
  const course = props.value as CoursePoint[];
  const values = course.map(({ value }) => value);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const shown = low === high ? C.same(low, UNIT_SIGNS[unit]) : C.between(low, high, UNIT_SIGNS[unit]);
  return (
    <CourseValue
      name={labelOf(props)}
      label={C.label(labelOf(props), { low, high, unit: UNIT_SIGNS[unit] })}
      shown={shown}
      help={C.help}
      pointName={C.point}
      placeName={C.place}
      amountName={C.amount}
      kind={unit === 'mm' ? 'length' : unit === 'deg' ? 'angle' : 'plain'}
      unit={UNIT_SIGNS[unit]}
      course={course}
      min={min}
      max={max}
      curve={courseOf(course)}
      onChange={(next, isDrag) => put(next, isDrag ? slot : undefined)}
    />
  );
}

function PlacesControl(props: ControlProps) {
  const places = props.value as PlaceOf3[];
  const { guidePlaces, guideHelp, guideFault } = texts.shape;
  return (
    <PlacesValue
      label={labelOf(props)}
      shown={guidePlaces(places.length)}
      help={guideHelp}
      faultAt={guideFault}
      places={places}
      most={LIMITS.placesOfLine}
      onChange={(next) => props.put(next)}
    />
  );
}

/** How each kind of field is worked on in a sentence. */
const CONTROLS: Readonly<Partial<Record<FieldKind, Control>>> = {
  length: (props) => <NumberControl {...props} />,
  angle: (props) => <NumberControl {...props} />,
  share: (props) => <NumberControl {...props} />,
  count: (props) => <NumberControl {...props} />,
  number: (props) => <NumberControl {...props} />,
  chance: (props) => <NumberControl {...props} />,
  choice: (props) => <ChoiceControl {...props} />,
  flag: (props) => <FlagControl {...props} />,
  course: (props) => <CourseControl {...props} />,
  places: (props) => <PlacesControl {...props} />,
  letters: (props) => (
    <LettersChoice
      label={labelOf(props)}
      letters={props.value as number[]}
      picked={props.record.tools.picked}
      onChange={props.put}
    />
  ),
  piece: (props) => (
    <PieceChoice
      label={labelOf(props)}
      value={props.value as string}
      others={props.record.tools.others}
      onChange={props.put}
    />
  ),
  picture: (props) => <PictureFile {...props} />,
  record: (props) => <WhereValue {...props} nodesOf={recordNodes} />,
  variants: (props) => <LineValue {...props} nodesOf={recordNodes} />,
};

const controlOf = ({ is }: Field): Control | undefined => CONTROLS[is];

/** The controls of a record's fields, by the slots of its sentence. */
export const recordNodes = (record: FieldRecord): ReturnType<typeof fieldNodes> => fieldNodes(record, controlOf);
