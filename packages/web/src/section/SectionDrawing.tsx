import type { AskedSection } from '@fictile/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { texts } from '../words/index.ts';
import { frameOf, HIGH, WIDE, type Frame } from './frame.ts';
import type { SectionKnob, SectionPlace, SectionPart } from './knobs.ts';
import classes from './Section.module.css';

export interface SectionDrawingProps {
  section: AskedSection;
  part: SectionPart;
  knobs: readonly SectionKnob[];
  /** the point that is looked at, among the part's */
  point: number | undefined;
  onPoint: (index: number) => void;
  /** a drag or a row of key presses begins */
  begin: () => void;
  move: (knob: SectionKnob, to: SectionPlace) => void;
  turn: (index: number) => void;
  drop: (index: number) => void;
  /** on the line; undefined where nothing is drawn */
  add: ((at: SectionPlace) => void) | undefined;
}

/** The clay cut open, its rim of the part at work drawn stronger, with what can be taken hold of. */
export function SectionDrawing(props: SectionDrawingProps) {
  const { section, part, add } = props;
  const [held, setHeld] = useState<Frame>();
  const frame = held ?? frameOf(section, part);
  const line = section.rows.map((row) => frame.toPixels(row));
  const own = ownLine(section, part).map((row) => frame.toPixels(row));
  const [, top] = line[0];
  const [, foot] = line[line.length - 1];
  const far = WIDE - 40;
  const [outlineX] = frame.toPixels({ inMm: 0, downMm: 0 });
  const path = (points: readonly [number, number][]): string => `M${points.map((p) => p.join(' ')).join('L')}`;
  const face = `${path([[far, top], ...line, [far, foot]])}`;
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className={classes.drawing} role="group" aria-label={texts.section.drawing}>
      <defs>
        <pattern id="clay" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="7" height="7" className={classes.clay} />
          <line x1="0" y1="0" x2="0" y2="7" className={classes.hatch} />
        </pattern>
        <clipPath id="sheet">
          <rect x="0" y="10" width={WIDE} height={HIGH - 22} />
        </clipPath>
      </defs>
      <g clipPath="url(#sheet)">
        <path d={`${face}Z`} fill="url(#clay)" stroke="none" />
        <line x1={outlineX} x2={outlineX} y1={10} y2={HIGH - 12} className={classes.outline} />
        <path d={face} className={classes.rim} />
        <path d={path(own)} className={classes.ownRim} />
        {add && <path d={path(own)} className={classes.reach} onPointerDown={(event) => add(placeIn(frame, event))} />}
      </g>
      <Sizes section={section} part={part} frame={frame} />
      {section.crossing && <CrossingMark at={frame.toPixels(section.crossing)} />}
      <text x={far + 5} y={top + 4} className={classes.small}>
        {top > 6 && top < HIGH ? texts.section.front : ''}
      </text>
      <text x={far + 5} y={foot + 4} className={classes.small}>
        {foot > 6 && foot < HIGH ? texts.section.back : ''}
      </text>
      <text x={outlineX} y={7} textAnchor="middle" className={classes.small}>
        {texts.section.outline}
      </text>
      {props.knobs.map((knob) => (
        <KnobMark key={`${knob.kind} ${knob.index}`} {...props} knob={knob} frame={frame} onHold={setHeld} />
      ))}
    </svg>
  );
}

/** Rows of the part at work, its far end too. */
function ownLine({ rows, frames }: AskedSection, part: SectionPart): SectionPlace[] {
  const name = { front: 'frontEdge', side: 'wall', back: 'backEdge' }[part];
  const own = rows.filter((row, i) => row.part === name || (i > 0 && rows[i - 1].part === name));
  const { inMm, downMm } = frames[part];
  return own.length > 0 ? own : [{ inMm, downMm }];
}

/** Where the pointer is, in the section's own mm. */
function placeIn(frame: Frame, event: PointerEvent<SVGElement>): SectionPlace {
  const svg = event.currentTarget.ownerSVGElement ?? (event.currentTarget as SVGSVGElement);
  const box = svg.getBoundingClientRect();
  return frame.toMm(((event.clientX - box.left) * WIDE) / box.width, ((event.clientY - box.top) * HIGH) / box.height);
}

interface SectionKnobProps extends SectionDrawingProps {
  knob: SectionKnob;
  frame: Frame;
  /** the drawing stays as it is while something is dragged */
  onHold: (frame: Frame | undefined) => void;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const PIXELS_A_PRESS = 2;

/** A ring, or for a corner a square on its tip. Arrow keys move it, Delete drops a point, Enter turns it. */
function KnobMark({ knob, frame, point, onPoint, begin, move, turn, drop, onHold }: SectionKnobProps) {
  const drag = useRef(false);
  const [x, y] = frame.toPixels(knob);
  const isPoint = knob.kind === 'point';
  const look = (): void => onPoint(isPoint ? knob.index : -1);
  const onKeyDown = (event: KeyboardEvent): void => {
    const way = ARROWS[event.key] as readonly [number, number] | undefined;
    if (way) {
      const reach = event.shiftKey ? 10 * PIXELS_A_PRESS : PIXELS_A_PRESS;
      if (!event.repeat) begin();
      move(knob, frame.toMm(x + way[0] * reach, y + way[1] * reach));
    } else if (isPoint && (event.key === 'Delete' || event.key === 'Backspace')) drop(knob.index);
    else if (isPoint && event.key === 'Enter') turn(knob.index);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const end = (event: PointerEvent<SVGGElement>): void => {
    if (!drag.current) return;
    drag.current = false;
    event.currentTarget.releasePointerCapture(event.pointerId);
    onHold(undefined);
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={nameOf(knob)}
      className={classes.knob}
      data-look={isPoint && knob.index === point}
      onFocus={look}
      onKeyDown={onKeyDown}
      onDoubleClick={() => isPoint && turn(knob.index)}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.current = true;
        onHold(frame);
        begin();
        look();
      }}
      onPointerMove={(event) => drag.current && move(knob, placeIn(frame, event))}
      onPointerUp={end}
      onPointerCancel={end}
    >
      <circle cx={x} cy={y} r={11} fill="transparent" stroke="none" />
      {isPoint && !knob.smooth ? (
        <path d={`M${x} ${y - 6}L${x + 6} ${y}L${x} ${y + 6}L${x - 6} ${y}Z`} />
      ) : (
        <circle cx={x} cy={y} r={5} />
      )}
    </g>
  );
}

function nameOf(knob: SectionKnob): string {
  const t = texts.section;
  if (knob.kind !== 'point') return t.knob[knob.kind](t.mm(knob.kind === 'foot' ? knob.downMm : knob.inMm));
  const how = t.hows[knob.smooth ? 'smooth' : 'corner'];
  return t.knob.point(knob.index + 1, { inward: t.mm(knob.inMm), down: t.mm(knob.downMm), how });
}

/** How wide and how deep the part at work is. */
function Sizes({ section, part, frame }: { section: AskedSection; part: SectionPart; frame: Frame }) {
  const { inMm, downMm, wideMm, longMm } = section.frames[part];
  if (longMm === 0) return null;
  const [x0, y0] = frame.toPixels({ inMm, downMm });
  const [x1, y1] = frame.toPixels({ inMm: inMm + wideMm, downMm: downMm + longMm });
  const t = texts.section;
  const [left, below] = [26, HIGH - 14];
  const middle = Math.min(HIGH - 30, Math.max(20, (y0 + y1) / 2));
  return (
    <g className={classes.size}>
      <line
        x1={left + 26}
        x2={left + 26}
        y1={Math.max(10, Math.min(y0, y1))}
        y2={Math.min(HIGH - 12, Math.max(y0, y1))}
      />
      <text x={left + 20} y={middle} textAnchor="end" className={classes.small}>
        {t.mm(Math.abs(longMm))}
      </text>
      <text x={left + 20} y={middle + 12} textAnchor="end" className={classes.small}>
        {texts.recipe.edgeDeep}
      </text>
      {wideMm > 0 && part !== 'side' && (
        <>
          <line x1={x0} x2={x1} y1={below} y2={below} />
          <text x={(x0 + x1) / 2} y={HIGH - 2} textAnchor="middle" className={classes.small}>
            {t.wide(wideMm)}
          </text>
        </>
      )}
    </g>
  );
}

const CrossingMark = ({ at: [x, y] }: { at: [number, number] }) => (
  <g className={classes.crossing}>
    <circle cx={x} cy={y} r={8} />
    <path d={`M${x - 4} ${y - 4}L${x + 4} ${y + 4}M${x + 4} ${y - 4}L${x - 4} ${y + 4}`} />
    <text x={x + 12} y={y + 4}>
      {texts.section.crossing}
    </text>
  </g>
);
