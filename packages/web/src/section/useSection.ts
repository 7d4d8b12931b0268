import { isDrawn, DRAWN, LIMITS, sectionOf, type AskedSection, type Edge, type Piece, type Side } from '@fictile/core';
import { useMemo, useRef, useState } from 'react';
import { edgeAsKind, pieceEdits, sideAsKind, type PieceEdits } from '../recipe/index.ts';
import type { EditKey } from '../ui/index.ts';
import type { ProjectStore } from '../store/index.ts';
import {
  middleAfter,
  partAtWork,
  pointAdded,
  pointDropped,
  pointMoved,
  shapeOf,
  type KnobChange,
  type SectionPart,
  type Shares,
} from './knobs.ts';

/** A section while it is drawn on. */
export interface SectionWork {
  /** undefined where nothing has one */
  section: AskedSection | undefined;
  part: SectionPart;
  setPart: (part: SectionPart) => void;
  /** what changes when the part does: a back edge that follows the front is the front's */
  at: SectionPart;
  shape: Edge | Side;
  /** the point that is looked at, among the part's */
  point: number | undefined;
  setPoint: (index: number | undefined) => void;
  /** a drag or a row of key presses begins: what follows is one step of undo */
  begin: () => void;
  /** without a key part of the drag that was begun last */
  put: (change: KnobChange | undefined, key?: EditKey) => void;
  /** a step of undo of its own */
  once: (change: KnobChange) => void;
  moved: (index: number, values: Partial<Edge['points'][number]>) => KnobChange;
  drop: (index: number) => void;
  /** undefined where nothing is drawn, or no more fits */
  add: ((at: Shares) => void) | undefined;
  /** where a further point would go */
  middle: () => Shares;
  asKind: (kind: Edge['kind'] | Side['kind']) => KnobChange;
  /** what stands now as something drawn */
  drawn: () => KnobChange;
}

export function useSection({ store, pieces }: { store: ProjectStore; pieces: readonly Piece[] }): SectionWork {
  const [piece] = pieces;
  const [part, setPart] = useState<SectionPart>('front');
  const [point, setPoint] = useState<number>();
  const section = useMemo(() => sectionOf(piece), [piece]);
  const { put, begin } = useChanges(store, pieces);
  const at = partAtWork(piece, part);
  const shape = shapeOf(piece, part);
  const once = (change: KnobChange): void => {
    begin();
    put(change);
  };
  const add = (place: Shares): void => {
    const { change, index } = pointAdded(piece, at, place);
    once(change);
    setPoint(index);
  };
  return {
    ...{ section, part, at, shape, point, setPoint, begin, put, once },
    setPart: (next) => {
      setPart(next);
      setPoint(undefined);
    },
    moved: (index, values) => pointMoved(piece, at, index, values),
    drop: (index) => {
      once(pointDropped(piece, at, index));
      setPoint(undefined);
    },
    add: isDrawn(shape) && shape.points.length < LIMITS.profilePoints ? add : undefined,
    middle: () => middleAfter(piece, at, point ?? -1),
    asKind: (kind) => asKind(shape, at, kind),
    drawn: () => asKind({ ...shape, points: [] }, at, DRAWN),
  };
}

function useChanges(store: ProjectStore, pieces: readonly Piece[]): Pick<SectionWork, 'put' | 'begin'> {
  const drags = useRef(0);
  const edits: PieceEdits = useMemo(() => pieceEdits(store, pieces), [store, pieces]);
  const { side } = pieces[0].body.solid;
  return {
    begin: () => void drags.current++,
    put: (change, key = { drag: `section ${drags.current}` }) => {
      if (change?.part === 'side') edits.solid({ side: { ...side, ...change.values } }, key);
      else if (change) edits.edge(change.part, change.values, key);
    },
  };
}

/** A shape of this part that is chosen by its kind. */
const asKind = (shape: Edge | Side, part: SectionPart, kind: Edge['kind'] | Side['kind']): KnobChange =>
  part === 'side'
    ? { part, values: sideAsKind(shape as Side, kind as Side['kind']) }
    : { part, values: edgeAsKind(shape as Edge, kind as Edge['kind']) };
