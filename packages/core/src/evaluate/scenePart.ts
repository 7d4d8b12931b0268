import { ownEntry } from '../base/index.ts';
import { cutsOf, ownOf, pieceName, type Piece, type Project } from '../document/index.ts';
import type { CutterLook, ScenePart } from '../io/index.ts';
import { assemble } from '../lettering/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { Evaluated } from './evaluated.ts';

/** What files are written from. */
export const scenePart = (piece: Piece, evaluated: Evaluated, { pieces }: Pick<Project, 'pieces'>): ScenePart => ({
  name: pieceName(piece),
  mesh: pieceMesh(evaluated),
  transform: evaluated.transform,
  slots: piece.slots,
  paints: evaluated.paints,
  others: Object.fromEntries(
    cutsOf(piece).flatMap(({ target }) => {
      const cutter = ownEntry(pieces, target);
      return cutter ? [[target, cutterLook(cutter)]] : [];
    }),
  ),
  letters: evaluated.letters.map(({ id, text, x, y, turn }) => ({
    text,
    finish: ownOf(piece)[id]?.finish ?? null,
    origin: { x, y, turn },
  })),
});

/** One mesh of a whole piece. */
export const pieceMesh = (evaluated: Evaluated): PolygonMesh => assemble(evaluated.clusters);

const cutterLook = (piece: Piece): CutterLook => ({
  slots: piece.slots,
  letters: Object.fromEntries(
    Object.entries(ownOf(piece)).flatMap(([id, { finish }]) => (finish ? [[id, finish]] : [])),
  ),
});
