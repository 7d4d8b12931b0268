import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { texts } from '../words/index.ts';

/** Menus with more entries than this say that they can be searched. */
const MANY = 12;

interface MenuFinding<C> {
  /** the choices that fit what was typed */
  found: readonly C[];
  query: string;
  /** what was typed, or that one may */
  told: string | undefined;
  list: RefObject<HTMLDivElement | null>;
  onKeyDown: (event: KeyboardEvent) => void;
  clear: () => void;
}

/** Choices of a menu found by typing, without a field: whoever types in an open menu looks for something in it. */
export function useFinding<C extends { label: string }>(choices: readonly C[]): MenuFinding<C> {
  const [query, setQuery] = useState('');
  const list = useRef<HTMLDivElement>(null);
  const wanted = query.toLowerCase();
  const fits = choices.filter(({ label }) => label.toLowerCase().includes(wanted));
  const found = fits.length > 0 ? fits : choices;
  useEffect(() => {
    if (query !== '') list.current?.querySelector<HTMLElement>('[role="menuitem"]')?.focus();
  }, [query]);
  const t = texts.finding;
  const told = query !== '' ? (fits.length > 0 ? t.now(query) : t.none(query)) : undefined;
  return {
    ...{ found, query, list },
    told: told ?? (choices.length > MANY ? t.hint : undefined),
    onKeyDown: (event) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === 'Backspace' && query !== '') setQuery(query.slice(0, -1));
      else if (event.key.length === 1 && (event.key !== ' ' || query !== '')) setQuery(query + event.key);
      else return;
      event.preventDefault();
      event.stopPropagation();
    },
    clear: () => setQuery(''),
  };
}
