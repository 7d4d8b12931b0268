import { isWire, isPlain, isLettering, type Piece } from '@fictile/core';
import { useMemo, useRef } from 'react';
import { pieceEdits } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { useDragName } from '../ui/index.ts';
import type { Shaping } from '../viewport/index.ts';
import { texts } from '../words/index.ts';

const FRONT_SHARE = { back: 1, middle: 0.5, front: 0 } as const;
const DEEPEST_MM = 10_000;
const WIDEST_MM = 1000;

/** Drags of a piece's depth and front edge, each one step of undo. A plain edge that is pulled becomes a chamfer. */
export function useShaping(store: ProjectStore, pieces: readonly Piece[]): Shaping | undefined {
  const drag = useDragName();
  const ratio = useRef(1);
  return useMemo(() => {
    const piece = pieces.length > 0 ? pieces[0] : undefined;
    if (!piece || piece.locked || !isLettering(piece) || isWire(piece.source.contour)) return undefined;
    const edits = pieceEdits(store, pieces);
    const { depthMm, front } = piece.body.solid;
    const hasNone = isPlain(front);
    return {
      pieceId: piece.id,
      depthMm,
      frontShare: FRONT_SHARE[piece.source.depthAnchor],
      edgeInMm: hasNone ? 0 : front.inMm,
      begin: () => {
        drag.begin();
        ratio.current = hasNone || front.inMm === 0 ? 1 : front.deepMm / front.inMm;
      },
      setDepth: (mm) => edits.solid({ depthMm: Math.min(DEEPEST_MM, mm) }, { drag: drag.of('depth') }),
      setEdge: (mm) => {
        const inMm = Math.min(WIDEST_MM, mm);
        const deepMm = Math.min(WIDEST_MM, Math.round(inMm * ratio.current * 1e4) / 1e4);
        const kind = hasNone ? { kind: 'chamfer' as const } : {};
        edits.edge('front', { ...kind, inMm, deepMm }, { drag: drag.of('edge') });
      },
      words: { depth: texts.view.depth, edge: texts.view.edge },
    };
  }, [store, pieces, drag]);
}
