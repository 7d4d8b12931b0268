import { keptBy, ownEntry } from '../base/index.ts';
import { cutsOf, ownOf, pieceName, type Piece, type Project } from '../document/index.ts';
import type { CutterLook, SceneGroup, ScenePart } from '../io/index.ts';
import { assemble } from '../lettering/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { Evaluated } from './evaluated.ts';

/** Groups by their ids, with that which each is in. */
export type SceneTree = ReadonlyMap<string, SceneGroup & { within: string }>;

/** The outermost first. */
function groupsFrom(tree: SceneTree, groupId: string): SceneGroup[] {
  const group = tree.get(groupId);
  return group ? [...groupsFrom(tree, group.within), group] : [];
}

/** What files are written from. */
export const scenePart = (
  piece: Piece,
  evaluated: Evaluated,
  { pieces, tree, meshOf = pieceMesh }: Pick<Project, 'pieces'> & { tree?: SceneTree; meshOf?: typeof pieceMesh },
): ScenePart => ({
  name: pieceName(piece),
  mesh: meshOf(evaluated),
  transform: evaluated.transform,
  slots: piece.slots,
  paints: evaluated.paints,
  groups: tree && groupsFrom(tree, piece.within),
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

/** The same for the pieces of one file: copies in which nothing is changed share it with their source. */
export function sharedMeshes(): (evaluated: Evaluated) => PolygonMesh {
  const made = keptBy(assemble);
  return ({ clusters }) => made(clusters);
}

const cutterLook = (piece: Piece): CutterLook => ({
  slots: piece.slots,
  letters: Object.fromEntries(
    Object.entries(ownOf(piece)).flatMap(([id, { finish }]) => (finish ? [[id, finish]] : [])),
  ),
});
