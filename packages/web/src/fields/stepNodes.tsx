import { stepOf, type Step } from '@fictile/core';
import { wordsOf } from '@fictile/words';
import type { ReactNode } from 'react';
import type { EditKey } from '../ui/index.ts';
import { CHOICE_PICTURES } from './stepPictures.tsx';
import { recordNodes } from './controls.tsx';
import type { FieldTools, Values } from './fieldNodes.tsx';

/** The values of a step's sentence, by its slots. `put` takes the changed step; a key joins a drag. */
export const stepNodes = <S extends Step>(
  step: S,
  put: (step: S, key?: EditKey) => void,
  tools: FieldTools,
): Record<string, ReactNode> =>
  recordNodes({
    fields: stepOf(step.kind).fields,
    values: step as unknown as Values,
    words: wordsOf(step.kind),
    pictures: CHOICE_PICTURES[step.kind],
    put: (values, key) => put({ ...step, ...values }, key),
    tools,
  });
