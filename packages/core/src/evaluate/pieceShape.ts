import type { Body, Contour, Edge, OwnLetter, Piece } from '../document/index.ts';
import type { LetteringOptions, SolidShape } from '../lettering/index.ts';
import { wireEdge } from '../solid/index.ts';

type Options = Pick<LetteringOptions, 'solid' | 'ownSolids' | 'bands'>;

/** Of words or a drawing: what its outlines become before the solid, and what is built on them. Mm. */
export function pieceShape({ source, body }: Piece): Options {
  const { contour } = source;
  return {
    solid: solidOf(body.solid, contour),
    ownSolids: contour.kind === 'wire' ? new Map() : ownSolids(source.own, body.solid),
    // a drawing's lines are wires before they are outlines
    bands: contour.kind === 'wire' && source.kind === 'drawing' ? undefined : bandsOf(contour),
  };
}

/** Depth of the front of a piece. */
export const frontOf = (piece: Piece): number =>
  pieceShape(piece).solid.depthMm * { back: 1, middle: 0.5, front: 0 }[piece.source.depthAnchor];

function solidOf(solid: Body['solid'], contour: Contour): SolidShape {
  if (contour.kind !== 'wire') return withDepth(solid, solid.depthMm, solid.front);
  const edge = wireEdge(contour.thickMm, contour.sides);
  return { depthMm: contour.thickMm, front: edge, back: edge };
}

function ownSolids(own: Readonly<Record<string, OwnLetter>>, solid: Body['solid']): Map<number, SolidShape> {
  return new Map(
    Object.entries(own).flatMap(([id, letter]) => {
      if (!letter.solid) return [];
      const { depthMm, front } = letter.solid;
      return [[Number(id), withDepth(solid, depthMm, front)] as const];
    }),
  );
}

/** A body's edges and side on a depth, which the edges may come on top of. A sheet stays one. */
function withDepth(solid: Body['solid'], depthMm: number, front: Edge): SolidShape {
  const back = solid.backAsFront ? front : solid.back;
  const added = solid.edgesAdd && depthMm > 0 ? deepOf(front) + deepOf(back) : 0;
  return { depthMm: depthMm + added, front, back, side: solid.side };
}

const deepOf = ({ kind, deepMm }: Edge): number => (kind === 'plain' ? 0 : deepMm);

function bandsOf(contour: Contour): LetteringOptions['bands'] {
  if (contour.kind === 'full') return undefined;
  if (contour.kind === 'wire')
    return { outward: contour.thickMm / 2, wide: contour.thickMm, count: 1, gap: 0, join: 'round' };
  const { wallMm, side, count, gapMm } = contour;
  return {
    outward: wallMm * { inside: 0, center: 0.5, outside: 1 }[side],
    wide: wallMm,
    count,
    gap: gapMm,
    join: 'miter',
  };
}
