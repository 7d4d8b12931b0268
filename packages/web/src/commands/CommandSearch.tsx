import { Spotlight, type SpotlightActionData } from '@mantine/spotlight';
import '@mantine/spotlight/styles.css';
import { useRef } from 'react';
import { texts } from '../words/index.ts';
import { keysText, type Command } from './commandList.ts';
import { searchStore, useSearchKeys } from './useSearchKeys.ts';

/** A field that finds every command by its words; Ctrl K opens it. */
export function CommandSearch({ commands }: { commands: readonly Command[] }) {
  const { query, setQuery, field } = useSearchKeys();
  const returned = useRef<HTMLElement>(undefined);
  const actions: SpotlightActionData[] = commands
    .filter((command) => command.isPossible !== false)
    .map((command) => ({
      id: command.id,
      label: command.label,
      onClick: command.run,
      rightSection: command.keys ? <kbd>{keysText(command.keys)}</kbd> : undefined,
    }));
  return (
    <Spotlight
      store={searchStore}
      query={query}
      onQueryChange={setQuery}
      actions={actions}
      shortcut="mod + K"
      nothingFound={texts.commands.nothing}
      highlightQuery
      // what is typed next must find it open, or gone
      transitionProps={{ duration: 0 }}
      // a command may have taken the focus elsewhere; only what nobody has goes back
      returnFocus={false}
      onSpotlightOpen={() => {
        returned.current = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
      }}
      onSpotlightClose={() => {
        if (document.activeElement === document.body || field.ref.current === document.activeElement)
          returned.current?.focus({ preventScroll: true });
      }}
      scrollable
      maxHeight={420}
      attributes={{ content: { 'aria-label': texts.commands.title } }}
      scrollAreaProps={{ viewportProps: { tabIndex: 0, 'aria-label': texts.commands.title, role: 'group' } }}
      searchProps={{ ...field, placeholder: texts.workshop.search, 'aria-label': texts.workshop.search }}
    />
  );
}
