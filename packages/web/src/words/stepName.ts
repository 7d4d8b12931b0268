import type { StepKind } from '@fictile/core';
import { wordsOf } from '@fictile/words';

export const stepName = (kind: string): string => wordsOf(kind as StepKind).name;
