import type { StepPlace } from '@fictile/core';
import { WHERE_WORDS } from '@fictile/words';
import type { ReactNode } from 'react';
import { Sentence } from '../ui/index.ts';
import type { EditKey } from '../ui/index.ts';
import type { ControlProps, FieldRecord, Values } from './fieldNodes.tsx';

interface WhereProps extends ControlProps {
  nodesOf: (record: FieldRecord) => Record<string, ReactNode>;
}

/** Where a step acts: in a place, on parts, on letters. */
export function WhereValue({ field, name, value, put, record, nodesOf }: WhereProps) {
  const where = value as StepPlace;
  const nodes = nodesOf({
    ...record,
    fields: field.fields ?? {},
    values: where as unknown as Values,
    words: WHERE_WORDS,
    put: (values, key) => put({ ...where, ...values }, namedBy(name, key)),
  });
  const rest = <Sentence template={WHERE_WORDS.kinds[where.kind]} values={nodes} />;
  return <Sentence template={WHERE_WORDS.sentence} values={{ ...nodes, rest }} />;
}

/** Keys of inner values do not join with those of others. */
export const namedBy = (name: string, key: EditKey | undefined): EditKey | undefined =>
  typeof key === 'string' ? `${name} ${key}` : key;
