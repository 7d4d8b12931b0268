import { Button, Popover } from '@mantine/core';
import { useMergedRef } from '@mantine/hooks';
import { changesOf, copiesOf, originalOf, type Edit, type Piece, type Project } from '@fictile/core';
import { useRef, useState, type Ref } from 'react';
import { Sentence, useOffers, valueOffer } from '../ui/index.ts';
import valueClasses from '../ui/values.module.css';
import { texts } from '../words/index.ts';
import { namedChanges, type NamedChange } from './changeNames.ts';
import classes from './Copies.module.css';

const T = texts.copies;

interface LinkedLineProps {
  project: Project;
  piece: Piece;
  choose: (ids: readonly string[]) => void;
  edit: (edit: Edit) => void;
}

/** Says what a piece follows, or what follows it, and so what changes here change. */
export function LinkedLine({ project, piece, choose, edit }: LinkedLineProps) {
  const source = originalOf(project, piece);
  if (source) return <Follows {...{ piece, source, choose, edit }} />;
  const copies = copiesOf(project, piece.id);
  if (copies.length === 0) return null;
  const shown = T.copies(copies.length);
  return (
    <Sentence
      template={T.followed}
      values={{
        copies: <Value label={T.chooseCopies} shown={shown} onPress={() => choose(copies.map(({ id }) => id))} />,
      }}
    />
  );
}

function Follows({ piece, source, choose, edit }: Omit<LinkedLineProps, 'project'> & { source: Piece }) {
  const changes = namedChanges(changesOf(source, piece), piece, source);
  const name = source.name || texts.pieces.newWords;
  return (
    <Sentence
      template={T.follows}
      values={{
        source: <Value label={T.source} shown={name} onPress={() => choose([source.id])} />,
        changes: <OwnChanges {...{ piece, changes, edit }} />,
      }}
    />
  );
}

/** What differs, each given back by itself or all together. */
function OwnChanges({ piece, changes, edit }: { piece: Piece; changes: NamedChange[]; edit: (edit: Edit) => void }) {
  const [isOpen, setIsOpen] = useState(false);
  const shown = changes.length === 0 ? T.nothing : T.changes(changes.length);
  const again = (paths: readonly string[] | 'all'): void => edit({ kind: 'followAgain', pieceId: piece.id, paths });
  return (
    <Popover opened={isOpen} onChange={setIsOpen} position="bottom-start" withinPortal trapFocus returnFocus>
      <Popover.Target>
        <Value label={T.changesLabel} shown={shown} onPress={() => setIsOpen(!isOpen)} />
      </Popover.Target>
      <Popover.Dropdown className={classes.card} aria-label={T.changesLabel}>
        {changes.map(({ name, paths }) => (
          <div key={name} className={classes.change}>
            <span>{name}</span>
            <Button size="compact-xs" variant="subtle" aria-label={T.followIn(name)} onClick={() => again(paths)}>
              {T.follow}
            </Button>
          </div>
        ))}
        <div className={classes.acts}>
          {changes.length > 0 && (
            <Button size="xs" variant="default" onClick={() => again('all')}>
              {T.followAll}
            </Button>
          )}
          <Button size="xs" variant="default" onClick={() => edit({ kind: 'unlink', pieceId: piece.id })}>
            {T.free}
          </Button>
        </div>
      </Popover.Dropdown>
    </Popover>
  );
}

interface ValueProps {
  label: string;
  shown: string;
  onPress: () => void;
  /** of the card that opens at it */
  ref?: Ref<HTMLButtonElement>;
}

/** A word of the sentence that does something. */
function Value({ label, shown, onPress, ref }: ValueProps) {
  const own = useRef<HTMLButtonElement>(null);
  useOffers(() => [valueOffer(own.current, label)]);
  return (
    <button
      ref={useMergedRef(own, ref)}
      type="button"
      className={valueClasses.value}
      aria-label={`${label}: ${shown}`}
      onClick={onPress}
    >
      {shown}
    </button>
  );
}
