import { REMARK_CODES } from '@fictile/core';
import type { Offer } from '../ui/index.ts';
import { helpOf, texts } from '../words/index.ts';
import { addressOf } from './pages.ts';

/** Every page of help, as something to be found. */
export const helpOffers = (): Offer[] =>
  REMARK_CODES.map((code) => ({
    id: `help ${code}`,
    label: texts.help.whyOf(helpOf(code).name),
    detail: texts.help.title,
    isFar: true,
    run: () => void window.open(addressOf(code), '_blank', 'noreferrer'),
  }));
