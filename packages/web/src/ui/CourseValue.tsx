import { Popover } from '@mantine/core';
import { useRef, useState } from 'react';
import classes from './values.module.css';

export interface CoursePoint {
  at: number;
  value: number;
}

interface CourseValueProps {
  /** the whole of what it is and holds, for those who hear it */
  label: string;
  /** what stands in the sentence */
  shown: string;
  help: string;
  pointName: (n: number) => string;
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
  return (
    <Popover opened={isOpen} onChange={setIsOpen} position="bottom-start" withinPortal trapFocus returnFocus>
      <Popover.Target>
        <button type="button" className={classes.value} aria-label={props.label} onClick={() => setIsOpen(!isOpen)}>
          {props.shown}
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <CourseCurve {...props} />
        <div className={classes.courseHelp}>{props.help}</div>
      </Popover.Dropdown>
    </Popover>
  );
}

function CourseCurve({ course, min, max, curve, pointName, onChange }: CourseValueProps) {
  const box = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number>();
  const y = (value: number): number => HIGH - ((value - min) / (max - min)) * HIGH;
  const placeOf = (event: { clientX: number; clientY: number }): CoursePoint => {
    const { left, top, width, height } = (box.current as SVGSVGElement).getBoundingClientRect();
    const at = Math.min(1, Math.max(0, (event.clientX - left) / width));
    const share = Math.min(1, Math.max(0, (event.clientY - top) / height));
    return { at: Math.round(at * 100) / 100, value: stepped(max - share * (max - min)) };
  };
  const tall = (max - min) / 100;
  const stepped = (value: number): number => Math.round(Math.round(value / tall) * tall * 1e6) / 1e6;
  const put = (i: number, point: CoursePoint, isDrag: boolean): void =>
    onChange(
      course.map((old, k) => (k === i ? point : old)),
      isDrag,
    );
  const move = (i: number, at: number, value: number): void =>
    put(
      i,
      {
        at: Math.min(1, Math.max(0, Math.round((course[i].at + at) * 100) / 100)),
        value: stepped(Math.min(max, Math.max(min, course[i].value + value))),
      },
      false,
    );
  const onKey = (i: number, key: string): boolean => {
    if (key === 'ArrowLeft') move(i, -STEP, 0);
    else if (key === 'ArrowRight') move(i, STEP, 0);
    else if (key === 'ArrowUp') move(i, 0, tall);
    else if (key === 'ArrowDown') move(i, 0, -tall);
    else if ((key === 'Delete' || key === 'Backspace') && course.length > 1)
      onChange(
        course.filter((_, k) => k !== i),
        false,
      );
    else return false;
    return true;
  };
  const line = Array.from({ length: 61 }, (_, k) => `${k === 0 ? 'M' : 'L'}${(k / 60) * WIDE} ${y(curve(k / 60))}`);
  return (
    <svg
      ref={box}
      width={WIDE}
      height={HIGH}
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className={classes.course}
      onPointerMove={(event) => held !== undefined && put(held, placeOf(event), true)}
      onPointerUp={() => setHeld(undefined)}
      onDoubleClick={(event) =>
        onChange(
          [...course, placeOf(event)].sort((a, b) => a.at - b.at),
          false,
        )
      }
    >
      {min < 0 && max > 0 && <path d={`M0 ${y(0)}H${WIDE}`} className={classes.courseZero} />}
      <path d={line.join('')} className={classes.courseLine} />
      {course.map((point, i) => (
        <rect
          key={i}
          x={point.at * WIDE - 5}
          y={y(point.value) - 5}
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
          onPointerDown={(event) => {
            setHeld(i);
            box.current?.setPointerCapture(event.pointerId);
          }}
          onDoubleClick={(event) => event.stopPropagation()}
          onKeyDown={(event) => onKey(i, event.key) && event.preventDefault()}
        />
      ))}
    </svg>
  );
}
