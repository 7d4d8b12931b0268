import { ActionIcon, Menu, Tooltip, UnstyledButton } from '@mantine/core';
import type { Piece, Project, ShownPiece } from '@fictile/core';
import { IconDots, IconEyeOff, IconLock, IconPlus } from '@tabler/icons-react';
import { useState } from 'react';
import { afterMenu, NameField } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import type { PieceActions } from './pieceActions.ts';
import classes from './Pieces.module.css';

interface PiecesProps {
  project: Project;
  shown: readonly ShownPiece[];
  chosen: string | undefined;
  actions: PieceActions;
  onChoose: (pieceId: string) => void;
}

/** All pieces of the project, and what can be done with each. */
export function Pieces({ project, shown, chosen, actions, onChoose }: PiecesProps) {
  return (
    <section aria-label={texts.pieces.heading}>
      <header className={classes.head}>
        <h2 className={classes.title}>{texts.pieces.heading}</h2>
        <Tooltip label={texts.pieces.add}>
          <ActionIcon
            variant="subtle"
            color="dark"
            size="sm"
            aria-label={texts.pieces.add}
            onClick={() => onChoose(actions.add())}
          >
            <IconPlus size={15} />
          </ActionIcon>
        </Tooltip>
      </header>
      <ul className={classes.list}>
        {project.pieceOrder.map((id) => (
          <PieceRow
            key={id}
            piece={project.pieces[id]}
            faces={shown.find((p) => p.pieceId === id)?.faces}
            isChosen={id === chosen}
            actions={actions}
            onChoose={onChoose}
          />
        ))}
      </ul>
    </section>
  );
}

interface RowProps {
  piece: Piece;
  faces: number | undefined;
  isChosen: boolean;
  actions: PieceActions;
  onChoose: (pieceId: string) => void;
}

function PieceRow({ piece, faces, isChosen, actions, onChoose }: RowProps) {
  const [isNaming, setIsNaming] = useState(false);
  const marks = [piece.visible ? '' : texts.pieces.hidden, piece.locked ? texts.pieces.locked : ''].filter(Boolean);
  const figures = faces === undefined ? marks.join(', ') : [texts.pieces.figures(faces), ...marks].join(', ');
  return (
    <li className={classes.row} data-chosen={isChosen} data-hidden={!piece.visible}>
      {isNaming ? (
        <NameField
          label={texts.pieces.rename}
          name={piece.name}
          onDone={(name) => {
            setIsNaming(false);
            if (name !== undefined) actions.rename(piece, name);
          }}
        />
      ) : (
        <UnstyledButton className={classes.pick} aria-pressed={isChosen} onClick={() => onChoose(piece.id)}>
          <Tile piece={piece} />
          <span style={{ minWidth: 0 }}>
            <div className={classes.name}>{piece.name || texts.pieces.newWords}</div>
            <div className={classes.figures}>{figures}</div>
          </span>
        </UnstyledButton>
      )}
      {!piece.visible && <IconEyeOff size={14} aria-hidden />}
      {piece.locked && <IconLock size={14} aria-hidden />}
      <PieceMenu piece={piece} actions={actions} onChoose={onChoose} onRename={() => setIsNaming(true)} />
    </li>
  );
}

/** The first letter in the piece's own colours. */
function Tile({ piece }: { piece: Piece }) {
  const letter = piece.source.graphemes.find((g) => g.text.trim() !== '')?.text ?? '–';
  return (
    <span
      className={classes.tile}
      style={{ background: piece.slots.wall.colour, color: piece.slots.front.colour }}
      aria-hidden
    >
      {letter}
    </span>
  );
}

function PieceMenu({
  piece,
  actions,
  onChoose,
  onRename,
}: Pick<RowProps, 'piece' | 'actions' | 'onChoose'> & { onRename: () => void }) {
  const t = texts.pieces;
  return (
    <Menu position="bottom-end" withinPortal>
      <Menu.Target>
        <ActionIcon variant="subtle" color="dark" size="sm" aria-label={t.menu(piece.name)}>
          <IconDots size={15} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={() => afterMenu(onRename)}>{t.rename}</Menu.Item>
        <Menu.Item onClick={() => onChoose(actions.duplicate(piece))}>{t.duplicate}</Menu.Item>
        <Menu.Item onClick={() => actions.show(piece, !piece.visible)}>{piece.visible ? t.hide : t.show}</Menu.Item>
        <Menu.Item onClick={() => actions.showAlone(piece)}>{t.alone}</Menu.Item>
        <Menu.Item onClick={() => actions.showAll()}>{t.all}</Menu.Item>
        <Menu.Item onClick={() => actions.lock(piece, !piece.locked)}>{piece.locked ? t.unlock : t.lock}</Menu.Item>
        <Menu.Divider />
        <Menu.Item onClick={() => actions.toZero(piece)}>{t.toZero}</Menu.Item>
        <Menu.Item onClick={() => actions.ontoTable(piece)}>{t.onTable}</Menu.Item>
        <Menu.Divider />
        <Menu.Item color="var(--clay)" disabled={piece.locked} onClick={() => actions.remove(piece)}>
          {t.remove}
        </Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
