import type { Result, RunContext } from '../base/index.ts';
import type { Piece, Project } from '../document/index.ts';
import { afterwards } from '../math/index.ts';
import type { EvaluateRun } from './engineParts.ts';
import type { Evaluated } from './evaluated.ts';
import type { FrameFound } from './frames.ts';
import { pieceTransform } from './placement.ts';

/** What a copy's source is, with the place of the copy. */
export const standingAsCopy = (copy: Piece, source: Evaluated, { frame, remarks }: FrameFound): Evaluated => ({
  ...source,
  pieceId: copy.id,
  frame,
  transform: afterwards(frame, pieceTransform(copy.placement, source)),
  remarks: [...source.remarks.filter(({ code }) => code !== 'HUNG_LETTER_GONE'), ...remarks],
  built: { ...source.built, wavefronts: 0, lifted: 0 },
});

/** Sources of copies, each looked up once while one request is worked on. */
export class SourcesOfCopies {
  readonly #known = new WeakMap<RunContext, WeakMap<Project, Map<string, Evaluated>>>();

  async get(
    project: Project,
    pieceId: string,
    { context, uv, crossings, preview, seconds }: EvaluateRun,
    make: () => Promise<Result<Evaluated>>,
  ): Promise<Result<Evaluated>> {
    const ofRun = this.#known.get(context) ?? new WeakMap<Project, Map<string, Evaluated>>();
    this.#known.set(context, ofRun);
    const ofProject = ofRun.get(project) ?? new Map<string, Evaluated>();
    ofRun.set(project, ofProject);
    const name = [pieceId, uv, crossings, preview, seconds].join(' ');
    const known = ofProject.get(name);
    if (known) return { ok: true, value: known };
    const made = await make();
    if (made.ok) ofProject.set(name, made.value);
    return made;
  }
}
