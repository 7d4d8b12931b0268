import { counts, slotsOf, type Field, type Fields, type FreeCurve } from '@fictile/core';
import type { FieldWords } from '@fictile/words';
import type { ReactNode } from 'react';
import { Sentence } from '../ui/index.ts';
import type { OtherPiece } from './PieceChoice.tsx';
import type { EditKey, TrialKey } from '../ui/index.ts';

export type Values = Readonly<Record<string, unknown>>;

/** What controls reach for beside their own value. */
export interface FieldTools {
  takeBack: (key: TrialKey) => void;
  /** letters that are worked on */
  picked: readonly number[];
  readCurve: (file: File) => Promise<FreeCurve | undefined>;
  /** the other pieces, as they are shown */
  others: readonly OtherPiece[];
}

/** A record of fields, as it is worked on. */
export interface FieldRecord {
  fields: Fields;
  values: Values;
  words: FieldWords;
  /** of choices, by slot and value */
  pictures?: Readonly<Record<string, Readonly<Record<string, ReactNode>>>>;
  /** some of its values; a key joins a drag */
  put: (values: Values, key?: EditKey) => void;
  tools: FieldTools;
}

/** One value in a sentence. */
export interface ControlProps {
  /** what it is, for those who hear it; undefined: it holds several that say so themselves */
  label: string | undefined;
  field: Field;
  name: string;
  slot: string;
  value: unknown;
  usual: unknown;
  put: (value: unknown, key?: EditKey) => void;
  record: FieldRecord;
}

const NONE: Readonly<Record<string, string>> = {};

export type Control = (props: ControlProps) => ReactNode;

/**
 * The controls of a record's fields by the slots of its sentence. What does not count as the others are leaves nothing.
 */
export function fieldNodes(
  record: FieldRecord,
  controlOf: (field: Field) => Control | undefined,
): Record<string, ReactNode> {
  const { fields, values, words } = record;
  const bare: Record<string, ReactNode> = {};
  for (const [name, field] of Object.entries(fields)) {
    if (!counts(field, values)) continue;
    const held = values[name] as number[];
    slotsOf(name, field).forEach(([slot, own], k) => {
      const isPart = own !== field;
      const put = (value: unknown, key?: EditKey): void =>
        record.put({ [name]: isPart ? held.map((old, i) => (i === k - 1 ? value : old)) : value }, key);
      const value = isPart ? held[k - 1] : held;
      const usual = isPart ? (field.usual as number[])[k - 1] : field.usual;
      const label = own.fields || own.kinds ? undefined : words.labels[slot];
      bare[slot] = controlOf(own)?.({ label, field: own, name, slot, value, usual, put, record }) ?? null;
    });
  }
  // a part may hold others, which are written before it
  const nodes = { ...bare };
  for (const [slot, template] of Object.entries(words.parts ?? NONE))
    if (slot in bare)
      nodes[slot] = <Sentence key={slot} template={template} values={{ ...nodes, [slot]: bare[slot] }} />;
  return nodes;
}
