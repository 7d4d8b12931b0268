import { createSpotlight } from '@mantine/spotlight';
import { useEffect, useRef, useState, type FocusEvent, type KeyboardEvent as FieldKey, type RefObject } from 'react';

/** The search of the commands, and what opens it. */
export const [searchStore, search] = createSpotlight();

interface SearchField {
  ref: RefObject<HTMLInputElement | null>;
  onFocus: (event: FocusEvent) => void;
  onKeyDown: (event: FieldKey) => void;
}

/**
 * The field of the search gets the focus a moment after the keys that open it. What is typed meanwhile is meant for it,
 * and must not run as commands of one key: it is taken into the field, Enter too. Later, too, letters typed anywhere in
 * the open search go to its field.
 */
export function useSearchKeys(): { query: string; setQuery: (query: string) => void; field: SearchField } {
  const [query, setQuery] = useState('');
  const ref = useRef<HTMLInputElement>(null);
  const enters = useRef(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!searchStore.getState().opened || event.target === ref.current) return;
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key.length === 1) setQuery((typed) => typed + event.key);
      else if (event.key === 'Backspace') setQuery((typed) => typed.slice(0, -1));
      else if (event.key === 'Enter' && !dialogOf(ref.current)?.contains(event.target as Node)) enters.current = true;
      else return;
      event.preventDefault();
      event.stopPropagation();
      ref.current?.focus();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, []);
  const takeFirst = (): void => dialogOf(ref.current)?.querySelector<HTMLElement>('[data-action]')?.click();
  const field: SearchField = {
    ref,
    onFocus: () => {
      const end = ref.current?.value.length ?? 0;
      ref.current?.setSelectionRange(end, end);
      // when the list below has been laid out
      if (enters.current) setTimeout(takeFirst);
      enters.current = false;
    },
    onKeyDown: ({ key }) => {
      // what was typed before the field had the focus has chosen nothing yet
      if (key === 'Enter' && query !== '' && !dialogOf(ref.current)?.querySelector('[data-selected]')) takeFirst();
    },
  };
  return { query, setQuery, field };
}

const dialogOf = (field: HTMLElement | null): HTMLElement | null =>
  field?.closest<HTMLElement>('[role="dialog"]') ?? null;
