import { Fragment, isValidElement, type ReactNode } from 'react';
import classes from './values.module.css';

/**
 * A template of the catalogue with its slots filled: "Raise {depth}." A slot without a value leaves nothing. A comma or
 * full stop stays with the value before it.
 */
export function Sentence({ template, values }: { template: string; values: Readonly<Record<string, ReactNode>> }) {
  const parts = template.split(/\{(\w+)\}/);
  return parts.map((part, i) => {
    if (i % 2 === 0) return <Fragment key={i}>{i > 0 ? part.replace(MARK, '') : part}</Fragment>;
    const mark = MARK.exec(parts[i + 1])?.[0] ?? '';
    const value = values[part];
    if (mark !== '' && isSingle(value)) {
      return (
        <span key={i} className={classes.kept}>
          {value}
          {mark}
        </span>
      );
    }
    return (
      <Fragment key={i}>
        {mark === '' ? (
          value
        ) : (
          <>
            {value}
            {`\u2060${mark}`}
          </>
        )}
      </Fragment>
    );
  });
}

const MARK = /^[.,;:]/;

/** A single value says its name; what holds several may run over lines. */
const isSingle = (value: ReactNode): boolean =>
  isValidElement<{ label?: unknown }>(value) && value.props.label !== undefined;
