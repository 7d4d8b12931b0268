import { isOfDrawing, isOfWords, isWords, type Edit, type FreeCurve, type Piece } from '@fictile/core';
import { useMemo } from 'react';
import type { ProjectStore } from '../store/index.ts';
import { useDragName } from '../ui/index.ts';
import type { Bending } from '../viewport/index.ts';
import { texts } from '../words/index.ts';

/** The curve of a piece that has one: words along it, or a free shape. Each drag is one step of undo. */
export function useBending(store: ProjectStore, piece: Piece | undefined): Bending | undefined {
  const drag = useDragName();
  return useMemo(() => {
    const curve = piece && !piece.locked && curveOf(piece);
    if (!curve) return undefined;
    return {
      pieceId: piece.id,
      curve,
      begin: drag.begin,
      change: (next) => store.edit(curveEdit(piece, next), drag.of(`curve ${piece.id}`), { isDrag: true }),
      words: texts.view.knot,
    };
  }, [store, piece, drag]);
}

function curveOf({ source }: Piece): FreeCurve | undefined {
  if (isOfWords(source)) return source.line.kind === 'curve' ? source.line.curve : undefined;
  return isOfDrawing(source) && source.shape.kind === 'free' ? source.shape.curve : undefined;
}

function curveEdit(piece: Piece, curve: FreeCurve): Edit {
  const pieceId = piece.id;
  if (!isWords(piece)) return { kind: 'setDrawing', pieceId, values: { shape: { kind: 'free', curve } } };
  const { line } = piece.source;
  return { kind: 'setWords', pieceId, values: { line: line.kind === 'curve' ? { ...line, curve } : line } };
}
