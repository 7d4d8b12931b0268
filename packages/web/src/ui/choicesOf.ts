import type { ReactNode } from 'react';
import type { Choice } from './ChoiceValue.tsx';

/** What can be chosen, by what it is called, and with a picture where there is one. */
export const choicesOf = <T extends string>(
  labels: Readonly<Record<T, string>>,
  pictures?: Readonly<Partial<Record<T, ReactNode>>>,
): Choice<T>[] =>
  (Object.entries(labels) as [T, string][]).map(([value, label]) => ({ value, label, picture: pictures?.[value] }));
