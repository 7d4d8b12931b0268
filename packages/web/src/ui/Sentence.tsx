import { Fragment, isValidElement, type ReactNode } from 'react';
import classes from './values.module.css';

interface SentenceProps {
  template: string;
  values: Readonly<Record<string, ReactNode>>;
}

/**
 * A template of the catalogue with its slots filled: "Raise {depth}." A slot without a value leaves nothing. A comma or
 * full stop stays with the value before it, whichever of the sentences within each other it comes from.
 */
export function Sentence(props: SentenceProps) {
  const parts = joined(partsOf(props));
  return parts.map((part, i) => {
    const before = i > 0 && typeof parts[i - 1] !== 'string';
    if (typeof part === 'string') return <Fragment key={i}>{before ? part.replace(MARK, '') : part}</Fragment>;
    const next = parts[i + 1];
    const mark = typeof next === 'string' ? MARK.exec(next)?.[0] : undefined;
    if (mark === undefined) return <Fragment key={i}>{part.value}</Fragment>;
    const isKept = isSingle(part.value);
    return (
      <span key={i} className={isKept ? classes.kept : undefined}>
        {part.value}
        {isKept ? mark : `\u2060${mark}`}
      </span>
    );
  });
}

/** What a sentence is made of: texts, and values. */
type Part = string | { value: ReactNode };

/** Sentences in the place of a value are read as parts of this one. */
function partsOf({ template, values }: SentenceProps): Part[] {
  return template.split(/\{(\w+)\}/).flatMap((part, i): Part[] => {
    if (i % 2 === 0) return [part];
    const value = values[part];
    if (isValidElement<SentenceProps>(value) && value.type === Sentence) return partsOf(value.props);
    return value === undefined || value === null || value === false ? [] : [{ value }];
  });
}

/** Texts that follow one another are one. */
function joined(parts: readonly Part[]): Part[] {
  const rows: Part[] = [];
  for (const part of parts) {
    const last = rows.at(-1);
    if (typeof part !== 'string') rows.push(part);
    else if (typeof last === 'string') rows[rows.length - 1] = last + part;
    else if (part !== '') rows.push(part);
  }
  return rows;
}

const MARK = /^[.,;:)]+/;

/** A single value says its name; what holds several may run over lines. */
const isSingle = (value: ReactNode): boolean =>
  typeof value !== 'object' || (isValidElement<{ label?: unknown }>(value) && value.props.label !== undefined);
