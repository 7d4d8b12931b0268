import { CloseButton } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useSpotlight } from '@mantine/spotlight';
import { isWords } from '@fictile/core';
import { useEffect } from 'react';
import { useChoice, useDocument, useOpenParts } from '../bench/index.ts';
import { searchStore } from '../commands/index.ts';
import { texts } from '../words/index.ts';
import classes from './Workbench.module.css';

type Hint = keyof typeof texts.hints.of;

const ALL = Object.keys(texts.hints.of) as Hint[];

/** What a new piece can do with the hands; each hint goes for good once it was used. */
export function Hints() {
  const { store, project } = useDocument();
  const { lead, typing } = useChoice();
  const { opened } = useSpotlight(searchStore);
  const { view, comparing } = useOpenParts();
  const [used, setUsed] = useLocalStorage<readonly Hint[]>({ key: 'fictile hints used', defaultValue: [] });
  const past = store.state.history.past;
  const now: Readonly<Record<Hint, boolean>> = {
    type: typing.now !== undefined,
    pull: past.some(({ edit }) => edit.kind !== 'spliceWords' && edit.kind !== 'renameProject'),
    find: opened,
  };
  const fresh = ALL.filter((hint) => now[hint] && !used.includes(hint)).join(' ');
  useEffect(() => {
    if (fresh !== '') setUsed((before) => [...before, ...(fresh.split(' ') as Hint[])]);
  }, [fresh, setUsed]);
  const left = ALL.filter((hint) => !used.includes(hint));
  // what else stands at the view's upper right goes first
  const isTaken = comparing !== undefined || view.second !== undefined;
  if (isTaken || !lead || !isWords(lead) || project.pieceOrder.length > 1 || left.length === 0) return null;
  return (
    <aside className={classes.hints} aria-label={texts.hints.label}>
      <div>
        {left.map((hint) => (
          <p key={hint}>{texts.hints.of[hint]}</p>
        ))}
      </div>
      <CloseButton size="sm" aria-label={texts.hints.close} onClick={() => setUsed(ALL)} />
    </aside>
  );
}
