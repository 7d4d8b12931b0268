import { parseQuantity, type QuantityKind } from '@fictile/core';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { texts, withUnit } from '../words/index.ts';
import { useOffers, valueOffer } from './offers.tsx';
import classes from './values.module.css';

export interface NumberValueProps {
  label: string;
  value: number;
  kind: QuantityKind;
  /** as it stands behind the number */
  unit: string;
  /** said instead of 0 */
  zero?: string;
  min: number;
  max: number;
  step: number;
  whole?: boolean;
  /** what it goes back to with Delete */
  usual?: number;
  onChange: (value: number, isDrag: boolean) => void;
}

const DRAG_FROM = 4;
const PIXELS_A_STEP = 4;

/** A number inside a sentence: typed (with units and arithmetic), stepped with the arrow keys, or dragged sideways. */
export function NumberValue(props: NumberValueProps) {
  const [typing, setTyping] = useState<TypedText>();
  const [refused, setRefused] = useState<string>();
  useEffect(() => {
    if (refused === undefined) return;
    const timer = setTimeout(() => setRefused(undefined), REFUSED_MS);
    return () => clearTimeout(timer);
  }, [refused]);
  if (typing !== undefined)
    return (
      <Typed
        {...props}
        {...typing}
        onText={(text) => setTyping({ ...typing, text })}
        onEnd={(fault) => {
          setTyping(undefined);
          setRefused(fault);
        }}
      />
    );
  return (
    <>
      <Shown {...props} onType={setTyping} />
      {refused !== undefined && <Fault text={refused} />}
    </>
  );
}

/** So long it is said why a number was not taken. */
const REFUSED_MS = 5000;

const Fault = ({ text }: { text: string }) => (
  <span className={classes.fault} role="alert">
    {text}
  </span>
);

interface TypedText {
  text: string;
  /** opened with the present value, which the first key replaces */
  isWhole: boolean;
}

const rounded = ({ whole }: NumberValueProps, value: number): number =>
  whole ? Math.round(value) : Math.round(value * 1e4) / 1e4;

const clamped = (props: NumberValueProps, value: number): number =>
  Math.min(props.max, Math.max(props.min, rounded(props, value)));

const shownNumber = (value: number): string => String(value).replace('-', '\u2212');

function stepOf({ step, whole }: NumberValueProps, event: { shiftKey: boolean; altKey: boolean }): number {
  const factor = event.shiftKey ? 10 : event.altKey && !whole ? 0.1 : 1;
  return step * factor;
}

function Shown(props: NumberValueProps & { onType: (typing: TypedText) => void }) {
  const { label, value, unit, zero, min, max, usual, onChange, onType } = props;
  const drag = useRef<{ x: number; from: number; moved: boolean }>(undefined);
  const target = useRef<HTMLButtonElement>(null);
  useOffers(() => [valueOffer(target.current, label)]);
  const onKeyDown = (event: KeyboardEvent): void => {
    const direction = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
    if (direction !== undefined) onChange(clamped(props, value + direction * stepOf(props, event)), true);
    else if ((event.key === 'Delete' || event.key === 'Backspace') && usual !== undefined) onChange(usual, false);
    else if (event.key === 'Enter') onType({ text: String(value), isWhole: true });
    else if (/^[0-9.,(-]$/.test(event.key) && !event.ctrlKey && !event.metaKey)
      onType({ text: event.key, isWhole: false });
    else return;
    event.preventDefault();
  };
  const onPointerDown = (event: PointerEvent<HTMLButtonElement>): void => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, from: value, moved: false };
  };
  const onPointerMove = (event: PointerEvent): void => {
    const start = drag.current;
    if (!start) return;
    const pixels = event.clientX - start.x;
    if (!start.moved && Math.abs(pixels) < DRAG_FROM) return;
    start.moved = true;
    onChange(clamped(props, start.from + Math.trunc(pixels / PIXELS_A_STEP) * stepOf(props, event)), true);
  };
  const onPointerUp = (): void => {
    if (drag.current && !drag.current.moved) onType({ text: String(value), isWhole: true });
    drag.current = undefined;
  };
  return (
    <button
      ref={target}
      type="button"
      role="spinbutton"
      aria-label={label}
      aria-valuenow={value}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={`${value} ${unit}`}
      className={`${classes.value} ${classes.number} ${usual !== undefined && usual !== value ? classes.changed : ''}`}
      onKeyDown={onKeyDown}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
    >
      {value === 0 && zero ? zero : withUnit(shownNumber(value), unit, '\u00a0')}
    </button>
  );
}

interface TypedProps extends NumberValueProps, TypedText {
  onText: (text: string) => void;
  /** told why where the number was not taken */
  onEnd: (fault?: string) => void;
}

/** The number a text means, or what is wrong with it in words; neither while it is still empty. */
function read(props: NumberValueProps, text: string): { number?: number; fault?: string } {
  const { kind, unit, min, max } = props;
  const parsed = parseQuantity(text, kind);
  if (parsed === undefined) return text.trim() === '' ? {} : { fault: texts.numbers.none(text.trim()) };
  const number = rounded(props, parsed);
  if (number >= min && number <= max) return { number };
  return { fault: texts.numbers.range(withUnit(shownNumber(min), unit), withUnit(shownNumber(max), unit)) };
}

function Typed(props: TypedProps) {
  const { label, text, isWhole, onChange, onText, onEnd } = props;
  const { number, fault } = read(props, text);
  const isOver = useRef(false);
  const end = (keep: boolean): void => {
    if (isOver.current) return;
    isOver.current = true;
    if (keep && number !== undefined) onChange(number, false);
    onEnd(keep ? fault : undefined);
  };
  return (
    <>
      <input
        className={classes.input}
        aria-label={label}
        aria-invalid={number === undefined}
        autoFocus
        value={text}
        maxLength={80}
        onFocus={(event) => isWhole && event.currentTarget.select()}
        onChange={(event) => onText(event.currentTarget.value)}
        onBlur={() => end(true)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') end(true);
          if (event.key === 'Escape') end(false);
          if (event.key === 'Enter' || event.key === 'Escape') event.stopPropagation();
        }}
      />
      {fault !== undefined && <Fault text={fault} />}
    </>
  );
}
