import { shared, sharedDoubles, shareLarge, shortKeyOf, spelled, type Crew } from '../base/index.ts';
import type { Piece, Project } from '../document/index.ts';
import type { ShapeChain } from '../shape/index.ts';
import { chainOf, isMoving, type MovingStep } from '../steps/index.ts';
import type { EngineParts, EvaluateRun } from './engineParts.ts';
import type { Evaluated } from './evaluated.ts';
import { ontoOf, transformOf, type Under } from './ground.ts';
import { ontoToolsOf } from './ontoTools.ts';
import type { Pull, PullHand } from './pullable.ts';
import { laidBy, type SteppedCluster } from './shapeClusters.ts';
import type { ChainAlone } from './stages/chainAlone.ts';
import { movePulled, pulledInto, pulledRows, PULLED, type PulledInto, type PullTask } from './stages/pulled.ts';
import { valuesOfStep } from './stages/refine.ts';

/** All that a piece is made of but for the values of some of its steps: what only those tell apart only moves. */
export const pullSubject = (
  { faceBudget }: Project,
  { source, body, steps }: Piece,
  { under, seconds, cut, pulled }: { under: Under; pulled: readonly string[] } & Pick<EvaluateRun, 'seconds' | 'cut'>,
): string => {
  const rest = steps.map((step) => (pulled.includes(step.id) ? [step.id, step.kind, step.on] : step));
  return spelled([seconds, source, body, rest, faceBudget, under.key, cut?.key, cut?.isSmooth]);
};

interface PullTools {
  under: Under;
  run: EvaluateRun;
  parts: EngineParts;
}

/**
 * A piece with other values of its last shape steps, while they are pulled: the faces of the last exact mesh, moved.
 * What is told stays as it was until the hand rests. Undefined where something moves outward that did not before: which
 * way that is nobody has looked for.
 */
export async function pulledPiece(
  last: Evaluated,
  pull: Pull,
  piece: Piece,
  { under, run, parts }: PullTools,
): Promise<Evaluated | undefined> {
  const steps = piece.steps.filter((step): step is MovingStep => pull.steps.includes(step.id) && isMoving(step));
  const tools = {
    ...ontoToolsOf(piece, pull.lines, run, { under, maps: parts.grounds.maps }),
    together: pull.together,
  };
  const { seconds } = run;
  const chain = chainOf(steps, { ...pull.frame, seconds, onto: ontoOf(tools) });
  if (chain.usesNormals && !pull.frame.outward) return undefined;
  const hand = (pull.hand ??= handOf(pull));
  // the field stays that of the last exact mesh, and so do its ways
  for (const { rows } of hand.pulled) rows.outward ??= sharedIfAny(chain.outwardOf(rows));
  const pattern = patternFor(hand, chain);
  const sides = sidesOf(pull, hand, run.keptAs !== undefined);
  const by = spelled(steps.map(valuesOfStep));
  await moveAll(hand, sides, {
    chain,
    crew: run.context.crew,
    alone: isAlone(pull, chain)
      ? {
          key: shortKeyOf('pull', [spelled(pull.frame.box), seconds, spelled(pull.earlier.map(valuesOfStep)), by]),
          of: { steps, earlier: [...pull.earlier], box: pull.frame.box, seconds },
        }
      : undefined,
  });
  hand.pattern = pattern;
  const clusters = pull.clusters.map((cluster, i): SteppedCluster => {
    const { places, positions, normals } = sides[i];
    const like = cluster.key;
    return {
      ...cluster,
      key: shortKeyOf('pulled', [like, by]),
      pulled: { like, by, moved: { positions, normals } },
      mesh: { ...cluster.mesh, positions: places },
    };
  });
  const onto = laidBy(chain, tools);
  return {
    ...last,
    clusters,
    frame: under.frame,
    transform: transformOf(piece, { clusters, letters: last.letters }, under),
    onto: onto && { ...onto, report: last.onto?.report },
    built: { ...last.built, wavefronts: 0, lifted: 0 },
  };
}

const handOf = ({ clusters, rows }: Pull): PullHand => ({
  pulled: clusters.map(({ mesh }, i) => pulledRows(mesh, rows[i])),
  sides: [undefined, undefined],
  turn: 0,
});

const sharedIfAny = (rows: Float64Array | undefined): Float64Array | undefined => rows && shared(rows);

/** Pulled higher and lower a pattern stays as it is: its heights are kept. The name of what will stand there. */
function patternFor(hand: PullHand, { links }: ShapeChain): string | undefined {
  const pattern = links.length === 1 ? links[0].map.pattern : undefined;
  for (const one of hand.pulled)
    one.heights = pattern && {
      of: one.heights?.of ?? sharedDoubles(one.rows.count),
      isKnown: pattern.key === hand.pattern,
    };
  // none stands there until all are moved
  hand.pattern = undefined;
  return pattern?.key;
}

/** `isForOthers`: pieces that stand on it may keep what they have seen, so that it is never written again. */
function sidesOf({ clusters }: Pull, hand: PullHand, isForOthers: boolean): PulledInto[] {
  const anew = (): PulledInto[] => clusters.map(({ mesh }, i) => pulledInto(mesh, hand.pulled[i]));
  if (isForOthers) return anew();
  hand.turn = hand.turn === 0 ? 1 : 0;
  return (hand.sides[hand.turn] ??= anew());
}

/** Another thread can make the chain: it asks for nothing but its steps, and for what is outward only as it begins. */
const isAlone = ({ isLaidOnNothing }: Pull, { links }: ShapeChain): boolean =>
  isLaidOnNothing && links.filter(({ map }) => map.usesNormal).length < 2;

function moveAll(
  { pulled }: PullHand,
  sides: readonly PulledInto[],
  { chain, crew, alone }: { chain: ShapeChain; crew: Crew | undefined; alone: ChainAlone | undefined },
): Promise<void> {
  return shareLarge([...pulled.keys()], alone && crew, {
    sizeOf: (i) => pulled[i].rows.count,
    here: (i) => movePulled(chain, pulled[i], sides[i]),
    there: async (i) =>
      alone !== undefined &&
      (await crew?.work(PULLED, { chain: alone, pulled: pulled[i], into: sides[i] } satisfies PullTask)) === true,
  });
}
