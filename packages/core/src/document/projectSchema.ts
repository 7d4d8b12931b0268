import { deepEqual } from 'fast-equals';
import { isCopy, originalOf, asProject } from './copies.ts';
import { isAlike } from './linked.ts';
import { treeFault } from './placeGraph.ts';
import { documentSchema, pieceSchema, type Piece, type Project, type ProjectDocument } from './schema.ts';
import { firstIssue } from './issueText.ts';

/** A whole document, as it is kept. */
export const projectSchema = documentSchema.transform((document, context): Project => {
  const made = fromDocument(document);
  if (!('path' in made)) return made.project;
  context.addIssue({ code: 'custom', path: made.path.split('.'), message: made.why });
  return asProject(document);
});

/** A document of the right shape -> a project, or what is wrong with it as a whole. */
export function fromDocument(document: ProjectDocument): { project: Project } | { path: string; why: string } {
  const project = asProject(document);
  for (const [id, { copyOf }] of Object.entries(document.copies ?? {}))
    if (!Object.hasOwn(document.pieces, copyOf))
      return { path: `copies.${id}.copyOf`, why: 'the piece that it follows is missing' };
  for (const piece of Object.values(project.pieces)) {
    const fault = changeFault(project, piece, HOLDS_NO_MORE);
    if (fault) return { path: `copies.${piece.id}.changes`, why: fault };
  }
  const why = treeFault(project);
  return why === undefined ? { project } : { path: 'groups', why };
}

const HOLDS_NO_MORE = { holdsMore: 'it holds what no piece has' };

/**
 * Why a copy, with its changes, is no sound piece; undefined: it is, or is no copy. `holdsMore`: what is told where it
 * has more than that; left out: nothing is.
 */
export function changeFault(
  project: Project,
  piece: Piece,
  { holdsMore }: { holdsMore?: string } = {},
): string | undefined {
  const source = originalOf(project, piece);
  if (!source || !isCopy(piece) || isAlike(source, piece)) return undefined;
  const parsed = pieceSchema.safeParse(piece);
  if (!parsed.success) return firstIssue(parsed.error).why;
  const { copyOf: _, ...own } = piece;
  return deepEqual(parsed.data, own) ? undefined : holdsMore;
}
