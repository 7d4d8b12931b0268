import { z } from 'zod';
import type { Simplifier } from '../base/index.ts';
import { shapeOf, usualOf, type Fields, type ValuesOf } from '../fields/index.ts';
import type { Box3, Vec3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import type { Moving } from '../shape/index.ts';

/** A step of some kind as a document holds it. */
export type StepOf<K extends string, F> = { id: string; on: boolean; kind: K } & ValuesOf<F>;

export interface RefineTools {
  simplifier: Simplifier | undefined;
  /** triangles of the whole piece before this step: what a count is shared out by */
  triangles: number;
  /** edges were made crisp by a step before: they are meant */
  isCrisp?: boolean;
}

/** A step that goes by the faces there are. */
export interface Refining<S> {
  apply(mesh: PolygonMesh, step: S, tools: RefineTools): PolygonMesh;
  /** about how many faces it leaves, known before it is taken; left out: as many as there were */
  facesAfter?(step: S, mesh: PolygonMesh): number;
  /** how many of so many triangles it is asked to leave; undefined: it is asked for no number */
  asked?(step: S, triangles: number): number | undefined;
  /** what it makes of a body depends on the triangles of the whole piece */
  isSharedOut?(step: S): boolean;
  needsSimplifier?: boolean;
  /** edges are meant as they are from here on */
  makesCrisp?: boolean;
  /** the same cuts, leaving places where they are; left out: it makes no new points */
  flatly?(step: S): S;
}

/**
 * What a step does: moves points, makes faces anew by those there are, copies everything, casts it anew, or lets
 * another piece into it.
 */
export type Act<S> =
  | ({ does: 'moves' } & Moving<S>)
  | ({ does: 'refines' } & Refining<S>)
  | { does: 'copies'; shifts(step: S, box: Box3): Vec3[] }
  | { does: 'casts' }
  | { does: 'cuts' };

export const moves = <S>(moving: Moving<S>): { does: 'moves' } & Moving<S> => ({ does: 'moves', ...moving });
export const refines = <S>(refining: Refining<S>): { does: 'refines' } & Refining<S> => ({
  does: 'refines',
  ...refining,
});

/** The piece that a step is added to, flat, mm. */
export interface StartFacts {
  box: Box3 | undefined;
  wide: number;
  tall: number;
  isBody: boolean;
  /** ids of other pieces that are bodies */
  bodies: readonly string[];
}

/** A knob that a step is held by in the view. */
export type StepHandle =
  /** slides along an axis of the piece; its value grows by `share` a mm */
  | { does: 'pull'; place: Vec3; axis: 0 | 1 | 2; field: string; part?: number; share: number }
  /** turns about a pivot: the end of what runs along an axis, its heights along another, aside the third */
  | {
      does: 'turn';
      end: Vec3;
      pivot: Vec3;
      run: 0 | 1 | 2;
      high: 0 | 1 | 2;
      side: 0 | 1 | 2;
      towardDegrees: number;
      field: string;
    };

/** How the command line makes a step. */
export interface StepFlags<F> {
  /** the flag that adds the step and gives its main value; others begin with it */
  name: string;
  /** the field that it gives; left out: the one its strength lies in */
  main?: keyof F & string;
  /** a choice that the unit of the main flag makes, by the fields that count then */
  byUnit?: keyof F & string;
  /** in which turn flags take it: copies, along an axis, heights, bends, lines, faces */
  turn: number;
  /** what is other than usual there */
  usual?: Partial<ValuesOf<F>>;
}

/** The ways in which steps act. */
export type Does = Act<never>['does'];

export interface StepParts<K extends string, F extends Fields, A extends Does> {
  kind: K;
  fields: F;
  group: 'shape' | 'pieces' | 'faces';
  /** by which menus it is added; left out: always */
  offered?: 'besideBodies' | 'never';
  act: Act<StepOf<K, F>> & { does: A };
  /** what is other than usual when it is added: as large as suits the piece */
  start?(facts: StartFacts): Partial<NoInfer<ValuesOf<F>>>;
  /** the axis of the flat layout that its limits lie on; left out: the one it acts along */
  runs?(step: StepOf<K, F>): 'x' | 'y' | 'z';
  handle?(step: StepOf<K, F>, box: Box3, limits: { axis: 0 | 1 | 2; from: number; to: number }): StepHandle | undefined;
  flags: StepFlags<F> | false;
}

export interface StepDefinition<
  K extends string = string,
  F extends Fields = Fields,
  A extends Does = Does,
> extends StepParts<K, F, A> {
  schema: z.ZodType<StepOf<K, F>>;
  /** a step as it is when it is added */
  usual(id: string): StepOf<K, F>;
}

const BASE = { id: z.string().min(1).max(64), on: z.boolean() };

/** A kind of step, described once: what it holds, what it does, how it is begun, held and given by flags. */
export function defineStep<K extends string, F extends Fields, A extends Does>(
  parts: StepParts<K, F, A>,
): StepDefinition<K, F, A> {
  const { kind, fields } = parts;
  const schema = z.object({ ...BASE, kind: z.literal(kind), ...shapeOf(fields) });
  return {
    ...parts,
    schema: schema as unknown as z.ZodType<StepOf<K, F>>,
    usual: (id) => ({ id, on: true, kind, ...usualOf(fields) }),
  };
}
