import { ActionIcon } from '@mantine/core';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { isAlike, isGroup, type Item, type Piece, type TreeRow } from '@fictile/core';
import { IconAnchor, IconChevronDown, IconChevronRight, IconEyeOff, IconLock } from '@tabler/icons-react';
import { memo, type CSSProperties, type RefObject, type SyntheticEvent } from 'react';
import { NameField } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { ItemMenu } from './ItemMenu.tsx';
import classes from './Pieces.module.css';
import type { TreeTools } from './treeTools.ts';
import { GroupTile, PieceTile } from './Tile.tsx';

/** Where what is pulled over a row would come: before it, behind it, or into it. */
export type DropZone = 'before' | 'after' | 'into';

export interface TreeLineProps {
  row: TreeRow;
  item: Item;
  /** what it goes along with; undefined: nothing but its group */
  hook: Item | undefined;
  /** of a linked copy: what it follows */
  source: Piece | undefined;
  /** of a group: what is in it */
  inside: readonly Piece[];
  faces: number | undefined;
  isOpen: boolean;
  isChosen: boolean;
  isLead: boolean;
  /** by keys: only one row is */
  isReached: boolean;
  zone: DropZone | undefined;
  isNaming: boolean;
  /** among those of its group, from 1 */
  at: number;
  of: number;
  latest: RefObject<TreeTools>;
}

/** A line of the tree. */
export const TreeLine = memo(function TreeLine(props: TreeLineProps) {
  const { row, item, isOpen, isChosen, isLead, isReached, zone, latest, at, of } = props;
  const pulled = useDraggable({ id: row.id, attributes: { role: 'treeitem' } });
  const under = useDroppable({ id: row.id });
  const figures = figuresOf(props);
  return (
    <div
      ref={(node) => {
        pulled.setNodeRef(node);
        under.setNodeRef(node);
      }}
      {...pulled.listeners}
      role="treeitem"
      data-row={row.id}
      tabIndex={isReached ? 0 : -1}
      aria-level={row.depth + 1}
      aria-setsize={of}
      aria-posinset={at}
      aria-selected={isChosen}
      aria-expanded={row.isGroup ? isOpen : undefined}
      aria-label={`${nameOf(item)}, ${figures}`}
      className={classes.row}
      style={{ '--depth': row.depth, translate: shiftOf(pulled.transform) } as CSSProperties}
      data-drop={pulled.isDragging ? undefined : zone}
      data-pulled={pulled.isDragging}
      data-chosen={isChosen}
      data-lead={isLead}
      data-hidden={!item.visible}
      onFocus={() => latest.current.reach(row.id)}
      onClick={(event) => {
        const { chosen } = latest.current;
        if (event.shiftKey) chosen.chooseTo(row.id);
        else chosen.choose(row.id, event.ctrlKey || event.metaKey);
      }}
      onDoubleClick={() => latest.current.name(row.id)}
    >
      {row.isGroup && <Turn {...{ row, item, isOpen, latest }} />}
      {isGroup(item) ? <GroupTile pieces={props.inside} /> : <PieceTile piece={item} />}
      <Called {...props} figures={figures} />
      {props.hook && <IconAnchor size={14} aria-hidden />}
      {!item.visible && <IconEyeOff size={14} aria-hidden />}
      {item.locked && <IconLock size={14} aria-hidden />}
      <span onClick={stops} onDoubleClick={stops} onPointerDown={stops}>
        <ItemMenu item={item} latest={latest} isReached={isReached} onRename={() => latest.current.name(row.id)} />
      </span>
    </div>
  );
});

/** What is pressed in a line is no press on the line. */
const stops = (event: SyntheticEvent): void => event.stopPropagation();

const shiftOf = (way: { x: number; y: number } | null): string | undefined =>
  way ? `${way.x}px ${way.y}px` : undefined;

export const nameOf = ({ name }: Item): string => name || texts.pieces.newWords;

function figuresOf({ item, inside, faces, hook, source }: TreeLineProps): string {
  const t = texts.pieces;
  const follows = source && (isAlike(source, item as Piece) ? texts.copies.row : texts.copies.own)(nameOf(source));
  const own = isGroup(item)
    ? [t.inGroup(inside.length)]
    : follows
      ? [follows]
      : faces === undefined
        ? []
        : [t.figures(item.source.kind, faces)];
  const marks = [hook ? t.along(nameOf(hook)) : '', item.visible ? '' : t.hidden, item.locked ? t.locked : ''];
  return [...own, ...marks].filter(Boolean).join(', ');
}

function Called({ item, isNaming, latest, figures }: TreeLineProps & { figures: string }) {
  if (isNaming)
    return (
      <span className={classes.called} onClick={stops} onDoubleClick={stops} onPointerDown={stops}>
        <NameField
          label={texts.pieces.rename}
          name={item.name}
          onDone={(name) => {
            latest.current.name(undefined);
            if (name !== undefined) latest.current.actions.rename(item, name);
          }}
        />
      </span>
    );
  return (
    <span className={classes.called}>
      <span className={classes.name}>{nameOf(item)}</span>
      <span className={classes.figures}>{figures}</span>
    </span>
  );
}

/** Opens and closes a group. By keys the arrows do. */
function Turn({ row, item, isOpen, latest }: Pick<TreeLineProps, 'row' | 'item' | 'isOpen' | 'latest'>) {
  const t = texts.pieces;
  return (
    <ActionIcon
      variant="subtle"
      color="dark"
      size={18}
      tabIndex={-1}
      aria-label={isOpen ? t.close(nameOf(item)) : t.open(nameOf(item))}
      onPointerDown={stops}
      onDoubleClick={stops}
      onClick={(event) => {
        event.stopPropagation();
        latest.current.turn(row.id);
      }}
    >
      {isOpen ? <IconChevronDown size={14} /> : <IconChevronRight size={14} />}
    </ActionIcon>
  );
}
