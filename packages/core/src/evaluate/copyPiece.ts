import { ok, type Result, type RunContext } from '../base/index.ts';
import { goesWith, type Piece, type Project } from '../document/index.ts';
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
  remarks: withOwn(source.remarks, remarks),
  built: { ...source.built, wavefronts: 0, lifted: 0 },
});

/** What is told of the place of the source is not told of the copy. */
const withOwn = (remarks: Evaluated['remarks'], own: Evaluated['remarks']): Evaluated['remarks'] =>
  own.length === 0 && remarks.every(isOfShape) ? remarks : [...remarks.filter(isOfShape), ...own];

const isOfShape = ({ code }: Evaluated['remarks'][number]): boolean => code !== 'HUNG_LETTER_GONE';

interface KnownAlike {
  /** of pieces that others follow */
  sources: Map<string, Evaluated>;
  /** in which copies stand, by what they go along with */
  frames: Map<string, FrameFound>;
}

/** What many copies ask for alike, once while one request is worked on. */
export class KnownOfRun {
  readonly #known = new WeakMap<RunContext, WeakMap<Project, KnownAlike>>();

  source(
    { project, pieceId }: { project: Project; pieceId: string },
    { context, uv, crossings, preview, seconds }: EvaluateRun,
    make: () => Promise<Result<Evaluated>>,
  ): Promise<Result<Evaluated>> {
    const { sources } = this.#of(context, project);
    return once(sources, [pieceId, uv, crossings, preview, seconds].join(' '), make);
  }

  async frame(
    { project, piece }: { project: Project; piece: Piece },
    { context, preview, seconds }: EvaluateRun,
    make: () => Promise<Result<FrameFound>>,
  ): Promise<Result<FrameFound>> {
    const { frames } = this.#of(context, project);
    const name = [goesWith(piece), piece.hung?.letter, preview, seconds].join(' ');
    const known = frames.get(name);
    if (known) return ok(known);
    const found = await make();
    // what is told names the piece
    if (found.ok && found.value.remarks.length === 0) frames.set(name, found.value);
    return found;
  }

  #of(context: RunContext, project: Project): KnownAlike {
    const ofRun = this.#known.get(context) ?? new WeakMap<Project, KnownAlike>();
    this.#known.set(context, ofRun);
    const known = ofRun.get(project) ?? { sources: new Map(), frames: new Map() };
    ofRun.set(project, known);
    return known;
  }
}

async function once<T>(known: Map<string, T>, name: string, make: () => Promise<Result<T>>): Promise<Result<T>> {
  const had = known.get(name);
  if (had) return ok(had);
  const made = await make();
  if (made.ok) known.set(name, made.value);
  return made;
}
