import { Spotlight, useSpotlight, type SpotlightActionData } from '@mantine/spotlight';
import '@mantine/spotlight/styles.css';
import { useMemo, useRef, useState } from 'react';
import { texts } from '../words/index.ts';
import { alsoOf } from './alsoOf.ts';
import { keysText, type Command } from './commandList.ts';
import classes from './Commands.module.css';
import { ranked } from './rank.ts';
import { useTrying } from './useTrying.ts';
import { searchStore, useSearchKeys } from './useSearchKeys.ts';
import { useUses } from './useUses.ts';

interface CommandSearchProps {
  commands: readonly Command[];
  /** what else can be found, asked when the search opens and as it is typed in */
  more?: () => readonly Command[];
}

/** So many are listed: what is looked for stands first. */
const MOST = 40;

/** A field that finds everything by its words, ours and others of the trade; Ctrl K opens it. */
export function CommandSearch({ commands, more }: CommandSearchProps) {
  const { query, setQuery, field } = useSearchKeys();
  const { opened, selected } = useSpotlight(searchStore);
  const [uses, used] = useUses();
  const [over, setOver] = useState<string>();
  const found = useFound({ commands, more }, opened ? query : undefined, uses);
  const reached = opened ? (found.find(({ id }) => id === over) ?? found.at(selected)) : undefined;
  const { take } = useTrying(selected < 0 && over === undefined ? undefined : reached);
  const actions = found.map((command): SpotlightActionData => ({
    id: command.id,
    label: command.label,
    description: command.detail,
    onMouseEnter: () => setOver(command.id),
    onMouseLeave: () => setOver(undefined),
    onClick: () => {
      used(command.id);
      take(command);
    },
    rightSection: command.keys ? <kbd>{keysText(command.keys)}</kbd> : undefined,
  }));
  return (
    <Spotlight
      store={searchStore}
      query={query}
      onQueryChange={(next) => {
        setOver(undefined);
        setQuery(next);
      }}
      actions={actions}
      filter={(_, all) => all}
      shortcut="mod + K"
      nothingFound={texts.commands.nothing}
      highlightQuery
      // what it would do is shown on the piece behind it
      overlayProps={{ backgroundOpacity: 0, blur: 0 }}
      classNames={{ actionBody: classes.row, actionDescription: classes.detail }}
      // what is typed next must find it open, or gone
      transitionProps={{ duration: 0 }}
      {...useReturn(field.ref)}
      scrollable
      maxHeight={420}
      attributes={{ content: { 'aria-label': texts.commands.title } }}
      scrollAreaProps={{ viewportProps: { tabIndex: 0, 'aria-label': texts.commands.title, role: 'group' } }}
      searchProps={{ ...field, placeholder: texts.workshop.search, 'aria-label': texts.workshop.search }}
    />
  );
}

/** What fits, best first; nothing while the search is closed. */
function useFound(
  { commands, more }: CommandSearchProps,
  query: string | undefined,
  uses: Readonly<Record<string, number>>,
): readonly Command[] {
  const latest = useRef({ commands, more, uses });
  latest.current = { commands, more, uses };
  return useMemo(() => {
    if (query === undefined) return [];
    const now = latest.current;
    const all = [...now.commands, ...(now.more?.() ?? [])].filter(({ isPossible }) => isPossible !== false);
    const seen = new Set<string>();
    const distinct = all.filter(({ id }) => !seen.has(id) && seen.add(id));
    const known = distinct.map((command) => ({ ...command, also: alsoOf(command) }));
    // without a word only what can be done is listed, not each value, nor each page of help
    const shown = query.trim() === '' ? known.filter(({ id }) => !/^(value|help) /.test(id)) : known;
    return ranked(query, shown, now.uses).slice(0, MOST);
  }, [query]);
}

/** A command may have taken the focus elsewhere; only what nobody has goes back. */
function useReturn(ref: React.RefObject<HTMLInputElement | null>) {
  const returned = useRef<HTMLElement>(undefined);
  return {
    returnFocus: false,
    onSpotlightOpen: () => {
      returned.current = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
    },
    onSpotlightClose: () => {
      if (document.activeElement === document.body || ref.current === document.activeElement)
        returned.current?.focus({ preventScroll: true });
    },
  };
}
