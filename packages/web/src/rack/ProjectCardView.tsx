import { ActionIcon, Menu } from '@mantine/core';
import type { ProjectCard } from '@fictile/contract';
import { IconDots } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { afterMenu, ageText, NameField, useAddress } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { pictureOf } from './pictures.ts';
import classes from './Rack.module.css';

export interface CardActions {
  rename: (id: string, name: string) => void;
  duplicate: (id: string) => void;
  saveFile: (id: string) => void;
  bin: (id: string) => void;
  restore: (id: string) => void;
}

interface CardProps {
  card: ProjectCard;
  actions: CardActions;
}

/** A project on the rack: its picture, name, figures, and what can be done with it. */
export function ProjectCardView({ card, actions }: CardProps) {
  const [isNaming, setIsNaming] = useState(false);
  const isBinned = card.binnedAt !== null;
  const picture = <CardPicture card={card} />;
  const done = (name: string | undefined): void => {
    setIsNaming(false);
    if (name !== undefined) actions.rename(card.id, name);
  };
  return (
    <li className={classes.card}>
      {isBinned ? (
        <div className={classes.frame}>{picture}</div>
      ) : (
        <Link to={`/projects/${card.id}`} className={classes.frame} tabIndex={-1} aria-hidden>
          {picture}
        </Link>
      )}
      <div className={classes.foot}>
        <div className={classes.text}>
          {isNaming ? (
            <NameField label={texts.workshop.name} name={card.name} onDone={done} />
          ) : (
            <CardName card={card} isBinned={isBinned} />
          )}
          <div className={classes.figures}>
            {texts.rack.pieces(card.pieces)} · {texts.rack.revision(card.revision)} ·{' '}
            <time dateTime={card.updatedAt}>{ageText(new Date(card.updatedAt), new Date())}</time>
          </div>
        </div>
        <CardMenu card={card} actions={actions} onRename={() => setIsNaming(true)} />
      </div>
    </li>
  );
}

function CardName({ card, isBinned }: { card: ProjectCard; isBinned: boolean }) {
  const name = card.name || texts.pieces.newWords;
  return isBinned ? (
    <span className={classes.name}>{name}</span>
  ) : (
    <Link to={`/projects/${card.id}`} className={classes.name}>
      {name}
    </Link>
  );
}

/** The picture when there is one; the bare words until then, and where nothing can be drawn. */
function CardPicture({ card }: { card: ProjectCard }) {
  const picture = useQuery({
    queryKey: ['picture', card.id, card.revision],
    queryFn: async ({ signal }) => (await pictureOf(card.id, card.revision, signal)) ?? null,
    staleTime: Infinity,
    retry: false,
  });
  const address = useAddress(picture.data);
  if (address) return <img src={address} alt="" className={classes.picture} />;
  return <span className={classes.standIn}>{card.words}</span>;
}

function CardMenu({ card, actions, onRename }: CardProps & { onRename: () => void }) {
  const t = texts.rack;
  return (
    <Menu position="bottom-end" withinPortal>
      <Menu.Target>
        <ActionIcon variant="subtle" color="dark" aria-label={texts.pieces.menu(card.name)}>
          <IconDots size={16} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        {card.binnedAt === null ? (
          <>
            <Menu.Item onClick={() => afterMenu(onRename)}>{texts.pieces.rename}</Menu.Item>
            <Menu.Item onClick={() => actions.duplicate(card.id)}>{texts.pieces.duplicate}</Menu.Item>
            <Menu.Item onClick={() => actions.saveFile(card.id)}>{t.saveFile}</Menu.Item>
            <Menu.Item onClick={() => actions.bin(card.id)}>{t.toBin}</Menu.Item>
          </>
        ) : (
          <Menu.Item onClick={() => actions.restore(card.id)}>{t.restore}</Menu.Item>
        )}
      </Menu.Dropdown>
    </Menu>
  );
}
