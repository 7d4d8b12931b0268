import { useRef, useState } from 'react';
import { useOffers, valueOffer } from './offers.tsx';
import classes from './values.module.css';

interface TextValueProps {
  label: string;
  value: string;
  /** said where there is none */
  none: string;
  /** what is wrong with a text, if anything */
  faultOf: (text: string) => string | undefined;
  onChange: (text: string) => void;
}

/**
 * A short text inside a sentence. Enter or leaving keeps it, Escape does not, and one that makes no sense is not taken.
 */
export function TextValue({ label, value, none, faultOf, onChange }: TextValueProps) {
  const [text, setText] = useState<string>();
  const target = useRef<HTMLButtonElement>(null);
  useOffers(() => [valueOffer(target.current, label)]);
  if (text === undefined)
    return (
      <button
        ref={target}
        type="button"
        className={`${classes.value} ${value === '' ? '' : classes.changed}`}
        aria-label={`${label}: ${value === '' ? none : value}`}
        onClick={() => setText(value)}
        onKeyDown={(event) => event.key === 'Delete' && onChange('')}
      >
        {value === '' ? none : value}
      </button>
    );
  const fault = faultOf(text);
  const keep = (): void => {
    if (fault === undefined && text !== value) onChange(text);
    setText(undefined);
  };
  return (
    <input
      className={classes.input}
      aria-label={label}
      aria-invalid={fault !== undefined}
      title={fault}
      autoFocus
      maxLength={200}
      value={text}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter') keep();
        if (event.key === 'Escape') setText(undefined);
        if (event.key === 'Enter' || event.key === 'Escape') event.stopPropagation();
      }}
    />
  );
}
