import { Checkbox, Group, NativeSelect, Text } from '@mantine/core';
import {
  canHold,
  counts,
  FILE_FIELDS,
  FILE_NEEDS,
  rangeOf,
  usualUp,
  type Field,
  type FieldKind,
  type FileField,
  type WriteOptions,
} from '@fictile/core';
import type { ReactNode } from 'react';
import { NumberValue, shownAs } from '../ui/index.ts';
import { texts } from '../words/index.ts';

interface ChoicesProps {
  options: WriteOptions;
  onChange: (options: WriteOptions) => void;
}

interface ChoiceProps {
  label: string;
  field: Field;
  value: unknown;
  /** what a value is called */
  nameOf: (value: string | number) => string;
  onChange: (value: unknown) => void;
}

const T = texts.handOver;
const LABELS: Readonly<Partial<Record<FileField, string>>> = T.choices;
const NAMES: Readonly<Partial<Record<FileField, Readonly<Record<string, string>> | ((count: number) => string)>>> =
  T.values;
/** Those that stand side by side. */
const BESIDE: ReadonlySet<FileField> = new Set(['unit', 'up']);

/** What a format leaves open, in the order of its fields. */
export function Choices({ options, onChange }: ChoicesProps) {
  const open = (Object.keys(FILE_FIELDS) as FileField[]).filter((name) => isOpen(name, options));
  const shown = (name: FileField): ReactNode => (
    <Choice key={name} {...choiceOf(name, options)} onChange={(value) => onChange({ ...options, [name]: value })} />
  );
  const beside = open.filter((name) => BESIDE.has(name));
  return (
    <>
      {beside.length > 0 && (
        <Group grow align="end">
          {beside.map(shown)}
        </Group>
      )}
      {open.filter((name) => !BESIDE.has(name)).map(shown)}
    </>
  );
}

/** Whether a format holds it, and the other choices leave it something to say. */
function isOpen(name: FileField, options: WriteOptions): boolean {
  const { when, pairedWith }: Field = FILE_FIELDS[name];
  const holds = FILE_NEEDS[name];
  const values = options as unknown as Readonly<Record<string, unknown>>;
  if (LABELS[name] === undefined || (holds !== undefined && !canHold(options.format, holds))) return false;
  const other = pairedWith === undefined ? undefined : (FILE_FIELDS[pairedWith as FileField] as Field);
  return counts({ when } as Field, values) && (!other || values[pairedWith as string] !== other.usual);
}

function choiceOf(name: FileField, options: WriteOptions): Omit<ChoiceProps, 'onChange'> {
  const field: Field = FILE_FIELDS[name];
  const names = NAMES[name];
  const nameOf = (value: string | number): string =>
    typeof names === 'function' ? names(Number(value)) : (names?.[value] ?? String(value));
  return { label: LABELS[name] ?? '', field: offered(name, field, options), value: valueOf(name, options), nameOf };
}

/** Without what the format can't hold, and without leaving it open which axis is usual. */
function offered(name: FileField, field: Field, { format }: WriteOptions): Field {
  const isLeft = (value: string): boolean =>
    name === 'up' ? value !== field.usual : value !== 'linked' || canHold(format, 'linkedLevels');
  return field.of ? { ...field, of: field.of.filter(isLeft) } : field;
}

function valueOf(name: FileField, options: WriteOptions): unknown {
  if (name === 'up' && options.up === FILE_FIELDS.up.usual) return usualUp(options.format);
  const isLinked = name === 'levelsAs' && !canHold(options.format, 'linkedLevels') && options.levelsAs === 'linked';
  return isLinked ? FILE_FIELDS.levelsAs.usual : options[name];
}

/** By the kind of its field. */
const CONTROLS: Readonly<Partial<Record<FieldKind, (props: ChoiceProps) => ReactNode>>> = {
  choice: ({ label, field, value, nameOf, onChange }) => (
    <NativeSelect
      label={label}
      data={(field.of ?? []).map((one) => ({ value: one, label: nameOf(one) }))}
      value={String(value)}
      onChange={(event) => onChange(event.currentTarget.value)}
    />
  ),
  flag: ({ label, value, onChange }) => (
    <Checkbox label={label} checked={value === true} onChange={(event) => onChange(event.currentTarget.checked)} />
  ),
  count: ({ label, field, value, nameOf, onChange }) => (
    <NativeSelect
      label={label}
      data={wholeNumbers(field).map((n) => ({ value: String(n), label: nameOf(n) }))}
      value={String(value)}
      onChange={(event) => onChange(Number(event.currentTarget.value))}
    />
  ),
  length: ({ label, field, value, onChange }) => (
    <Text size="sm" component="div">
      {label} <NumberValue {...shownAs(field)} label={label} value={value as number} onChange={onChange} />.
    </Text>
  ),
};

const wholeNumbers = (field: Field): number[] => {
  const { min, max } = rangeOf(field);
  return Array.from({ length: max - min + 1 }, (_, i) => min + i);
};

const Choice = (props: ChoiceProps): ReactNode => CONTROLS[props.field.is]?.(props) ?? null;
