import type { Field } from '@fictile/core';
import type { ReactNode } from 'react';
import { ChoiceValue, type Choice } from '../ui/index.ts';
import { number } from './number.tsx';

/** A record whose values stand in a sentence, by slots that are named otherwise than its fields. */
interface Held<R> {
  record: R;
  put: (values: Partial<R>, key?: string) => void;
}

type NamesOf<R, V> = { [K in keyof R & string]: R[K] extends V ? K : never }[keyof R & string];
type Numbers<R, F> = NamesOf<R, number> & keyof F & string;

/** Numbers of a record: for each slot the field, and how it is called. */
export function numberSlots<R, F extends Readonly<Record<string, Field>>, S extends string>(
  { record, put }: Held<R>,
  fields: F,
  slots: Readonly<Record<S, readonly [name: Numbers<R, F>, label: string]>>,
): Record<S, ReactNode> {
  const nodes = {} as Record<S, ReactNode>;
  for (const slot of Object.keys(slots) as S[]) {
    const [name, label] = slots[slot];
    const take = (value: number, key: string | undefined): void => put({ [name]: value } as Partial<R>, key);
    nodes[slot] = number(name, fields[name], { label, value: record[name] as number }, { take });
  }
  return nodes;
}

interface ChoiceSlot<T extends string> {
  label: string;
  choices: readonly Choice<T>[];
  usual?: T;
}

/** Choices of a record, by slots that are named as its fields are. */
export function choiceSlots<R, K extends NamesOf<R, string>>(
  { record, put }: Held<R>,
  slots: { readonly [N in K]: ChoiceSlot<R[N] & string> },
): Record<K, ReactNode> {
  const nodes = {} as Record<K, ReactNode>;
  for (const name of Object.keys(slots) as K[]) {
    const onChange = (value: string): void => put({ [name]: value } as Partial<R>);
    nodes[name] = <ChoiceValue {...slots[name]} value={record[name] as R[K] & string} onChange={onChange} />;
  }
  return nodes;
}
