import { Spotlight, type SpotlightActionData } from '@mantine/spotlight';
import '@mantine/spotlight/styles.css';
import { texts } from '../words/index.ts';
import { keysText, type Command } from './commandList.ts';

/** A field that finds every command by its words; Ctrl K opens it. */
export function CommandSearch({ commands }: { commands: readonly Command[] }) {
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
      actions={actions}
      shortcut="mod + K"
      nothingFound={texts.commands.nothing}
      highlightQuery
      scrollable
      maxHeight={420}
      attributes={{ content: { 'aria-label': texts.commands.title } }}
      scrollAreaProps={{ viewportProps: { tabIndex: 0, 'aria-label': texts.commands.title, role: 'group' } }}
      searchProps={{ placeholder: texts.workshop.search, 'aria-label': texts.workshop.search }}
    />
  );
}
