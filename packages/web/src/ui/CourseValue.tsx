import { Popover } from '@mantine/core';
import { alongCourse, type QuantityKind } from '@fictile/core';
import { useRef, useState, type KeyboardEvent } from 'react';
import { NumberValue } from './NumberValue.tsx';
import { useOffers, valueOffer } from './offers.tsx';
import { shownAs } from './shownAs.ts';
import classes from './values.module.css';

export interface CoursePoint {
  at: number;
  value: number;
}

interface CourseValueProps {
  name: string;
  /** the whole of what it is and holds, for those who hear it */
  label: string;
  /** what stands in the sentence */
  shown: string;
  help: string;
  pointName: (n: number) => string;
  /** how the numbers of a point are called, by its name */
  placeName: (point: string) => string;
  amountName: (point: string) => string;
  /** behind its values */
  unit: string;
  kind: QuantityKind;
  course: readonly CoursePoint[];
  min: number;
  max: number;
  /** along the way the value is drawn */
  curve: (share: number) => number;
  onChange: (course: CoursePoint[], isDrag: boolean) => void;
}

const WIDE = 240;
const HIGH = 110;
const STEP = 0.02;

/** A value that changes along a way: a word in the sentence that opens a small curve with points to pull. */
export function CourseValue(props: CourseValueProps) {
  const [isOpen, setIsOpen] = useState(false);
  const points = usePoints(props);
  const target = useRef<HTMLButtonElement>(null);
  useOffers(() => [valueOffer(target.current, props.name)]);
  return (
    <Popover opened={isOpen} onChange={setIsOpen} position="bottom-start" withinPortal trapFocus returnFocus>
      <Popover.Target>
        <button
          ref={target}
          type="button"
          className={classes.value}
          aria-label={props.label}
          onClick={() => setIsOpen(!isOpen)}
        >
          {props.shown}
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <CourseCurve {...props} points={points} />
        <PointRows {...props} points={points} />
        <div className={classes.courseHelp}>{props.help}</div>
      </Popover.Dropdown>
    </Popover>
  );
}

interface CoursePoints {
  put: (i: number, point: CoursePoint, isDrag: boolean) => void;
  add: (point: CoursePoint) => void;
  /** by so much, within its bounds */
  move: (i: number, at: number, value: number) => void;
  drop: (i: number) => void;
  /** the least that a value is moved by */
  tall: number;
  stepped: (value: number) => number;
}

const within = (low: number, value: number, high: number): number => Math.min(high, Math.max(low, value));
const hundredths = (share: number): number => Math.round(share * 100) / 100;

function usePoints({ course, min, max, onChange }: CourseValueProps): CoursePoints {
  const tall = (max - min) / 100;
  const stepped = (value: number): number => Math.round(Math.round(value / tall) * tall * 1e6) / 1e6;
  const put: CoursePoints['put'] = (i, point, isDrag) =>
    onChange(
      course.map((old, k) => (k === i ? point : old)),
      isDrag,
    );
  return {
    ...{ put, tall, stepped },
    add: (point) =>
      onChange(
        [...course, point].sort((a, b) => a.at - b.at),
        false,
      ),
    move: (i, at, value) => {
      const moved = stepped(within(min, course[i].value + value, max));
      put(i, { at: within(0, hundredths(course[i].at + at), 1), value: moved }, false);
    },
    drop: (i) => {
      if (course.length < 2) return;
      onChange(
        course.filter((_, k) => k !== i),
        false,
      );
    },
  };
}

type WithPoints = CourseValueProps & { points: CoursePoints };

/** The same points as numbers. */
function PointRows({ course, min, max, kind, unit, pointName, placeName, amountName, points }: WithPoints) {
  return (
    <div className={classes.courseRows}>
      {course.map((point, i) => (
        <div key={i} role="group" aria-label={pointName(i + 1)}>
          <NumberValue
            {...shownAs(alongCourse)}
            label={placeName(pointName(i + 1))}
            value={hundredths(point.at * 100)}
            onChange={(percent, isDrag) => points.put(i, { ...point, at: percent / 100 }, isDrag)}
          />
          <NumberValue
            {...{ kind, unit, min, max, step: points.tall }}
            label={amountName(pointName(i + 1))}
            value={point.value}
            onChange={(value, isDrag) => points.put(i, { ...point, value }, isDrag)}
          />
        </div>
      ))}
    </div>
  );
}

/** Which way an arrow key moves a point: in steps across, and up. */
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

function CourseCurve(props: WithPoints) {
  const { course, min, max, curve, points } = props;
  const box = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number>();
  const y = (value: number): number => HIGH - ((value - min) / (max - min)) * HIGH;
  const placeOf = (event: { clientX: number; clientY: number }): CoursePoint => {
    const { left, top, width, height } = (box.current as SVGSVGElement).getBoundingClientRect();
    const share = within(0, (event.clientY - top) / height, 1);
    return {
      at: hundredths(within(0, (event.clientX - left) / width, 1)),
      value: points.stepped(max - share * (max - min)),
    };
  };
  const line = Array.from({ length: 61 }, (_, k) => `${k === 0 ? 'M' : 'L'}${(k / 60) * WIDE} ${y(curve(k / 60))}`);
  return (
    <svg
      ref={box}
      width={WIDE}
      height={HIGH}
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className={classes.course}
      onPointerMove={(event) => held !== undefined && points.put(held, placeOf(event), true)}
      onPointerUp={() => setHeld(undefined)}
      onDoubleClick={(event) => points.add(placeOf(event))}
    >
      {min < 0 && max > 0 && <path d={`M0 ${y(0)}H${WIDE}`} className={classes.courseZero} />}
      <path d={line.join('')} className={classes.courseLine} />
      {course.map((point, i) => (
        <CourseKnob
          key={i}
          {...props}
          {...{ point, i }}
          y={y(point.value)}
          onHold={(pointer) => {
            setHeld(i);
            box.current?.setPointerCapture(pointer);
          }}
        />
      ))}
    </svg>
  );
}

interface CourseKnobProps extends WithPoints {
  point: CoursePoint;
  i: number;
  y: number;
  onHold: (pointer: number) => void;
}

function CourseKnob({ point, i, y, min, max, pointName, points, onHold }: CourseKnobProps) {
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key in ARROWS) {
      const [across, up] = ARROWS[event.key];
      points.move(i, across * STEP, up * points.tall);
    } else if (event.key === 'Delete' || event.key === 'Backspace') points.drop(i);
    else return;
    event.preventDefault();
  };
  return (
    <rect
      x={point.at * WIDE - 5}
      y={y - 5}
      width={10}
      height={10}
      rx={2}
      tabIndex={0}
      role="slider"
      aria-label={pointName(i + 1)}
      aria-valuenow={point.value}
      aria-valuemin={min}
      aria-valuemax={max}
      className={classes.coursePoint}
      onPointerDown={(event) => onHold(event.pointerId)}
      onDoubleClick={(event) => event.stopPropagation()}
      onKeyDown={onKeyDown}
    />
  );
}
