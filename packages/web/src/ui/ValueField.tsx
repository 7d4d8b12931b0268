import { NumberInput } from '@mantine/core';
import { useState } from 'react';

interface ValueFieldProps {
  label: string;
  value: number;
  unit: string;
  min: number;
  max: number;
  step?: number;
  whole?: boolean;
  onChange: (value: number) => void;
}

/** A number with its unit. What is typed half-way (empty, out of range) waits in the field and never reaches the document. */
export function ValueField({ label, value, unit, min, max, step = 1, whole = false, onChange }: ValueFieldProps) {
  const [typed, setTyped] = useState<string | number>();
  const accepts = (v: string | number): v is number =>
    typeof v === 'number' && Number.isFinite(v) && v >= min && v <= max;
  const shown = typed ?? value;
  return (
    <NumberInput
      label={label}
      value={shown}
      suffix={unit === '' ? undefined : ` ${unit}`}
      min={min}
      max={max}
      step={step}
      clampBehavior="none"
      decimalScale={whole ? 0 : 4}
      allowNegative={min < 0}
      error={typed !== undefined && !accepts(typed) ? `${min} to ${max.toLocaleString('en')}` : undefined}
      onChange={(next) => {
        setTyped(next);
        if (accepts(next) && next !== value) onChange(next);
      }}
      onBlur={() => setTyped(undefined)}
    />
  );
}
