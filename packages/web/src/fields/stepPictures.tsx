import type { StepKind } from '@fictile/core';
import type { ReactNode } from 'react';
import { Picture } from './pictures.tsx';

/** What each step does, as small drawings. */
export const STEP_PICTURES: Readonly<Partial<Record<StepKind, ReactNode>>> = {
  recast: <Picture lines="M3 3H17V15H3ZM3 9H17M10 3V15" meant="M5 12C5 4 15 4 15 12Z" />,
  bend: <Picture lines="M3 5A10 10 0 0 1 17 5" meant="M3 9A7 7 0 0 1 17 9M3 9V5M17 9V5" />,
  twist: <Picture lines="M3 5C9 5 11 13 17 13" meant="M3 13C9 13 11 5 17 5" />,
  taper: <Picture lines="M3 3V15M17 7V11" meant="M3 3L17 7M3 15L17 11" />,
  shear: <Picture lines="M6 4H17M3 14H14" meant="M6 4L3 14M17 4L14 14" />,
  stretch: <Picture lines="M7 5V13M13 5V13" meant="M5 9H1M15 9H19M3 7L1 9L3 11M17 7L19 9L17 11" />,
  pinch: (
    <Picture lines="M3 3V15M17 3V15" meant="M3 3C8 3 8 7 10 7C12 7 12 3 17 3M3 15C8 15 8 11 10 11C12 11 12 15 17 15" />
  ),
  bulge: <Picture lines="M3 14H17" meant="M3 14C3 2 17 2 17 14" />,
  wave: <Picture lines="M2 15H18" meant="M2 9C5 3 7 3 10 9C13 15 15 15 18 9" />,
  noise: <Picture lines="M2 15H18" meant="M2 10L4 7L6 9L8 4L10 8L12 6L14 10L16 7L18 9" />,
  relief: <Picture lines="M3 3H17V15H3Z" meant="M5 13L9 7L12 11L14 8L16 13" />,
  run: <Picture lines="M5 4V8M10 6V10M15 3V7" meant="M2 10C6 5 9 15 18 8" />,
  repeat: <Picture lines="M3 5H7V13H3Z" meant="M8.5 5H12.5V13H8.5ZM14 5H18V13H14Z" />,
  scatter: <Picture lines="M3 12V6M9 9V3M15 14V8" meant="M6 15L8 12M11 13L13 10" />,
};
/** What a choice of a step makes, by the step, the slot and the value. */
export const CHOICE_PICTURES: Readonly<
  Partial<Record<StepKind, Readonly<Record<string, Readonly<Record<string, ReactNode>>>>>>
> = {
  noise: {
    character: {
      soft: <Picture lines="M2 15H18" meant="M2 9C5 5 8 12 11 8C13 5 16 7 18 9" />,
      creased: <Picture lines="M2 15H18" meant="M2 11C5 11 5 5 6 5C7 5 7 11 11 11C14 11 14 4 15 4C16 4 16 11 18 11" />,
      lumpy: <Picture lines="M2 15H18" meant="M2 6C2 11 6 11 6 6C6 12 12 12 12 6C12 11 18 11 18 6" />,
      pebbled: <Picture lines="M2 15H18" meant="M2 12C2 5 7 5 7 12C7 4 13 4 13 12C13 6 18 6 18 12" />,
    },
  },
};
