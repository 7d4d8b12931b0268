import { isOfDrawing, isOfWords, isWords, type Edit, type FreeCurve, type Piece } from '@fictile/core';
import { useMemo, useRef } from 'react';
import type { ProjectStore } from '../store/index.ts';
import type { Bending } from '../viewport/index.ts';
import { texts } from '../words/index.ts';

/** The curve of a piece that has one: words along it, or a free shape. Each drag is one step of undo. */
export function useBending(store: ProjectStore, piece: Piece | undefined): Bending | undefined {
  const drags = useRef(0);
  return useMemo(() => {
    const curve = piece && !piece.locked && curveOf(piece);
    if (!curve) return undefined;
    return {
      pieceId: piece.id,
      curve,
      begin: () => void drags.current++,
      change: (next) => store.edit(curveEdit(piece, next), `curve ${piece.id} ${drags.current}`, { isDrag: true }),
      words: texts.view.knot,
    };
  }, [store, piece]);
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
