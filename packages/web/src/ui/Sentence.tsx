import { Fragment, type ReactNode } from 'react';

/** A template of the catalogue with its slots filled: "Raise {depth}." A slot without a value leaves nothing. */
export function Sentence({ template, values }: { template: string; values: Readonly<Record<string, ReactNode>> }) {
  // a full stop stays with the word before it
  const parts = template.split(/\{(\w+)\}/).map((part, i) => (i > 0 && /^[.,;:]/.test(part) ? `\u2060${part}` : part));
  return parts.map((part, i) => <Fragment key={i}>{i % 2 === 0 ? part : values[part]}</Fragment>);
}
