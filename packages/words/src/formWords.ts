import type { FORMS, FormKind, SlotsOf } from '@fictile/core';
import type { FieldWords } from './stepWords.ts';

type Slots<K extends FormKind> = SlotsOf<(typeof FORMS)[K]>;

/** What a language says of every form: its values in a sentence. */
export type FormWords = { readonly [K in FormKind]: FieldWords & { labels: { readonly [N in Slots<K>]?: string } } };
