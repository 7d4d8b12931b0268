import {
  isGroup,
  isLocked,
  pivotMoved,
  STILL,
  type Edit,
  type Item,
  type Pivot,
  type Project,
  type ShownPiece,
  type Transform,
  type Vec3,
} from '@fictile/core';
import { useEffect, useMemo, useState } from 'react';
import type { ProjectStore } from '../store/index.ts';
import type { JobClient } from '../worker/index.ts';
import {
  marksTransform,
  ownersOf,
  pivotMarks,
  type PivotMark,
  type PivotOwner,
  type SpotsByPiece,
} from './pivotMarks.ts';

interface PivotingBench {
  store: ProjectStore;
  project: Project;
  client: JobClient | undefined;
  /** the piece or group at work */
  item: Item | undefined;
  /** the pieces that it comes to, as they are built */
  pieces: readonly ShownPiece[];
  /** from its own space to the scene; undefined while it is not built */
  transform: Transform | undefined;
  /** letters that were picked: their corners are marked too */
  picked: readonly number[];
  isAtWork: boolean;
}

/** The pivot of the piece or group at work, and all places that it may be brought to. */
export interface Pivoting {
  marks: readonly PivotMark[];
  owners: readonly PivotOwner[];
  /** from the space of the marks to the scene */
  transform: Transform;
  /** where it is, in that space; undefined while it is not built */
  at: Vec3 | undefined;
  /** marks lie on the piece, to be pressed */
  isOut: boolean;
  setOut: (isOut: boolean) => void;
  /** the letter whose places are looked at closely, as marks say what they are of */
  near: string | undefined;
  nearer: (letter: PivotMark['letter']) => void;
  /** nothing else moves; `at`: where it is, in the space of the marks */
  put: (pivot: Pivot, at: Vec3) => void;
}

export function usePivoting(bench: PivotingBench): Pivoting {
  const { project, item, pieces, transform = STILL, isAtWork, store } = bench;
  const [outFor, setOutFor] = useState<string>();
  const [near, setNear] = useState<PivotMark['letter']>();
  const isOut = isAtWork && item !== undefined && outFor === item.id && !isLocked(project, item);
  const spots = useSpots(bench, near);
  const marked = useMemo(() => item && { item, pieces, transform, spots }, [item, pieces, transform, spots]);
  const marks = useMemo(() => (marked ? pivotMarks(marked, project) : []), [marked, project]);
  const owners = useMemo(() => ownersOf(marks, project), [marks, project]);
  const at = item && pivotOf(item, pieces);
  return {
    ...{ marks, owners, at, isOut },
    transform: marked ? marksTransform(marked) : STILL,
    setOut: (next) => setOutFor(next ? item?.id : undefined),
    near: near && `letter ${near.pieceId} ${near.id}`,
    nearer: setNear,
    put: (pivot, to) => item && at && store.edit(pivotEdit(item, pivot, { from: at, to })),
  };
}

/** Where a pivot is in the own space of what it is of. */
const pivotOf = (item: Item, pieces: readonly ShownPiece[]): Vec3 | undefined =>
  isGroup(item) ? item.placement.pivotMm : pieces.find(({ pieceId }) => pieceId === item.id)?.pivot;

function pivotEdit(item: Item, pivot: Pivot, { from, to }: { from: Vec3; to: Vec3 }): Edit {
  const { placement } = item;
  const moved = pivotMoved(placement, from, to);
  return isGroup(item)
    ? { kind: 'placeGroup', groupId: item.id, values: { pivotMm: to, ...moved } }
    : { kind: 'setPlacement', pieceId: item.id, values: { pivot, ...moved } };
}

const NONE: SpotsByPiece = {};

/** Places of all its pieces in their own spaces, asked of the worker anew as those change. */
function useSpots(
  { project, client, pieces, item, picked, isAtWork }: PivotingBench,
  near: PivotMark['letter'],
): SpotsByPiece {
  const [spots, setSpots] = useState(NONE);
  // where they stand does not change them
  const made = pieces.map(madeOf).join(' ');
  useEffect(() => {
    if (!isAtWork || !client || !item) return;
    let isCurrent = true;
    const closely = (pieceId: string): number[] => [
      ...(pieceId === item.id ? picked : []),
      ...(near?.pieceId === pieceId ? [near.id] : []),
    ];
    const ask = async (): Promise<void> => {
      const found = await Promise.all(
        pieces.map(async ({ pieceId }) => {
          const answer = await client.ask({ kind: 'spots', project, pieceId, closely: closely(pieceId) });
          return [pieceId, answer.kind === 'spots' ? answer.spots : undefined] as const;
        }),
      );
      if (isCurrent) setSpots(Object.fromEntries(found));
    };
    const timer = setTimeout(() => void ask(), STILL_MS);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isAtWork, client, item?.id, made, picked, near]);
  return isAtWork ? spots : NONE;
}

/** While a hand is at work nothing is asked. */
const STILL_MS = 150;

const madeOf = ({ pieceId, clusters }: ShownPiece): string =>
  [pieceId, ...clusters.map(({ key, x, y, z }) => `${key} ${x} ${y} ${z}`)].join(' ');
