import { DndContext, PointerSensor, pointerWithin, useSensor, useSensors } from '@dnd-kit/core';
import {
  groupsAround,
  itemOf,
  originalOf,
  treeRows,
  type Item,
  type Piece,
  type Project,
  type TreeRow,
} from '@fictile/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { texts } from '../words/index.ts';
import classes from './Pieces.module.css';
import { nameOf, TreeLine, type TreeLineProps } from './TreeLine.tsx';
import { openRows } from './treeMoves.ts';
import { useTreeDrag } from './useTreeDrag.ts';
import { treeKey } from './treeKeys.ts';
import type { TreeProps, TreeTools } from './treeTools.ts';

const ROW_PIXELS = 52;
/** So many rows are drawn, whether they are seen or not. */
const FEW = 60;
const nothing = (): undefined => undefined;
/** What is pulled is seen; who does not see it takes the keys. */
const SILENT = {
  announcements: { onDragStart: nothing, onDragOver: nothing, onDragEnd: nothing, onDragCancel: nothing },
};
/** Pulled by so many pixels a press becomes a drag. */
const PULLED = 6;

/** Pieces and groups, as a tree: chosen, moved, opened and named by hand and by keys. */
export function PieceTree(props: TreeProps) {
  const { project, shown, chosen } = props;
  const { latest, naming, wanted } = useTree(props);
  const { rows, open, closed, reached } = latest.current;
  const insides = useMemo(() => insideGroups(project), [project]);
  const faces = useMemo(() => new Map(shown.map((p) => [p.pieceId, p.faces])), [shown]);
  const places = useMemo(() => placesOf(rows), [rows]);
  const drag = useTreeDrag(latest);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: PULLED } }));
  const list = useRef<HTMLDivElement>(null);
  const drawn = useDrawn(open, list);
  useFocus(list, wanted, (id) => drawn.scrollTo(open.findIndex((row) => row.id === id)));
  const chosenIds = new Set(chosen.items.map(({ id }) => id));
  const lineOf = (row: TreeRow): TreeLineProps => ({
    ...{ row, latest, at: 1, of: 1, ...places.get(row.id) },
    ...{ item: itemOf(project, row.id) as Item, hook: hookOf(project, row.id) },
    source: row.isGroup ? undefined : originalOf(project, project.pieces[row.id]),
    ...{ inside: insides.get(row.id) ?? NOBODY, faces: faces.get(row.id) },
    ...{ isOpen: !closed.has(row.id), isChosen: chosenIds.has(row.id), isLead: row.id === chosen.items[0].id },
    ...{ isReached: row.id === reached, isNaming: naming === row.id },
    zone: drag.over?.id === row.id ? drag.over.zone : undefined,
  });
  return (
    <DndContext sensors={sensors} collisionDetection={pointerWithin} accessibility={SILENT} {...drag.handlers}>
      <div
        ref={list}
        role="tree"
        aria-label={texts.pieces.heading}
        aria-multiselectable
        className={classes.list}
        style={{ height: drawn.height }}
        onKeyDown={(event) => isOnRow(event) && treeKey(event, latest.current) && event.preventDefault()}
      >
        {drawn.rows.map(({ row, top }) => (
          <div key={row.id} role="none" className={top === undefined ? undefined : classes.virtual} style={{ top }}>
            <TreeLine {...lineOf(row)} />
          </div>
        ))}
      </div>
      <span role="status" className={classes.told}>
        {drag.over && texts.pieces.over[drag.over.zone](nameOf(itemOf(project, drag.over.id) as Item))}
      </span>
    </DndContext>
  );
}

/** Which rows there are, which are closed, reached by keys, and given a name. */
function useTree(props: TreeProps): {
  latest: RefObject<TreeTools>;
  naming: string | undefined;
  wanted: string | undefined;
} {
  const { project, chosen } = props;
  const rows = useMemo(() => treeRows(project), [project]);
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
  const [wanted, reach] = useState<string>();
  const [naming, name] = useState<string>();
  const open = useMemo(() => openRows(rows, closed), [rows, closed]);
  const reached = open.some(({ id }) => id === wanted) ? wanted : (chosen.items[0]?.id ?? open[0]?.id);
  const turn = (id: string): void =>
    setClosed((before) => new Set(before.has(id) ? [...before].filter((one) => one !== id) : [...before, id]));
  const tools = { ...props, rows, open, closed, reached, turn, reach, name };
  const latest = useRef<TreeTools>(tools);
  latest.current = tools;
  return { latest, naming, wanted };
}

/** Not in what stands in a row: a menu, or the field for a name. */
const isOnRow = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLElement && target.dataset.row !== undefined;

const NOBODY: TreeLineProps['inside'] = [];

function hookOf(project: Project, id: string): Item | undefined {
  const { hung } = itemOf(project, id) as Item;
  return hung ? itemOf(project, hung.on) : undefined;
}

/** Pieces by each group around them. */
function insideGroups(project: Project): ReadonlyMap<string, Piece[]> {
  const inside = new Map<string, Piece[]>();
  for (const id of project.pieceOrder) {
    const piece = project.pieces[id];
    for (const group of groupsAround(project, piece)) inside.set(group.id, [...(inside.get(group.id) ?? []), piece]);
  }
  return inside;
}

/** Which of how many in its group each is, from 1. */
function placesOf(rows: readonly TreeRow[]): ReadonlyMap<string, { at: number; of: number }> {
  const inside = new Map<string, string[]>();
  for (const { id, within } of rows) inside.set(within, [...(inside.get(within) ?? []), id]);
  return new Map(
    [...inside.values()].flatMap((ids) => ids.map((id, i) => [id, { at: i + 1, of: ids.length }] as const)),
  );
}

interface DrawnRow {
  row: TreeRow;
  /** pixels from the top of the list; undefined: below the one before */
  top: number | undefined;
}

/** All rows, or of many those that are near what is seen. */
function useDrawn(
  open: readonly TreeRow[],
  list: RefObject<HTMLDivElement | null>,
): { rows: readonly DrawnRow[]; height: number | undefined; scrollTo: (index: number) => void } {
  const isMany = open.length > FEW;
  const virtual = useVirtualizer({
    enabled: isMany,
    count: open.length,
    getScrollElement: () => list.current?.closest('aside') ?? null,
    estimateSize: () => ROW_PIXELS,
    overscan: 8,
    scrollMargin: list.current?.offsetTop ?? 0,
  });
  if (!isMany)
    return { rows: open.map((row) => ({ row, top: undefined })), height: undefined, scrollTo: () => undefined };
  const margin = virtual.options.scrollMargin;
  return {
    rows: virtual.getVirtualItems().map(({ index, start }) => ({ row: open[index], top: start - margin })),
    height: virtual.getTotalSize(),
    scrollTo: (index) => index >= 0 && virtual.scrollToIndex(index),
  };
}

/** A row that keys have reached gets the focus, once it is drawn. */
function useFocus(
  list: RefObject<HTMLDivElement | null>,
  wanted: string | undefined,
  scrollTo: (id: string) => void,
): void {
  const last = useRef(wanted);
  useEffect(() => {
    if (wanted === undefined || wanted === last.current) return;
    const rows = [...(list.current?.querySelectorAll<HTMLElement>('[data-row]') ?? [])];
    const row = rows.find((one) => one.dataset.row === wanted);
    if (!row) return scrollTo(wanted);
    last.current = wanted;
    if (!row.contains(document.activeElement)) row.focus();
  });
}
