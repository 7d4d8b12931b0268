import { alongFound, chainOf, isMoving, laidMap, plainPoint, type ShownPiece, type Step } from '@fictile/core';
import { useMemo } from 'react';
import { Matrix4, Vector3 } from 'three';
import type { Place } from './stepPlaces.ts';

/** Where the steps of a piece put a place of its flat layout, as one of some letter; piece space, mm. */
export type Shape = (rest: Place, letter?: number) => Vector3;

const NONE = {};

/** Undefined where nothing is shaped. Copies are not counted: what is drawn on letters stands on the first. */
export function useShape(
  steps: readonly Step[],
  { flat, onto, lines }: Pick<ShownPiece, 'flat' | 'onto' | 'lines'>,
): Shape | undefined {
  return useMemo(() => {
    const shape = steps.filter(isMoving).filter(({ on }) => on);
    if (!flat || shape.length === 0) return undefined;
    const map = onto && laidMap(onto);
    const chain = chainOf(alongFound(shape, lines ?? NONE), {
      box: flat,
      onto: (step) => (step.id === onto?.stepId ? map : undefined),
    });
    return (rest, letter = -1) => new Vector3(...chain.at({ ...plainPoint(rest), letter }));
  }, [steps, flat, onto, lines]);
}

/** Of the flat piece: how far apart places are that tell a direction. */
const BESIDE = 1e-3;

/**
 * A frame that stands on the letters: its origin at a place, its first axis along a line that is turned by some
 * radians. Rigid, wherever it is put.
 */
export function frameOn(
  shape: Shape | undefined,
  [x, y, z]: Place,
  { turn, letter }: { turn: number; letter?: number },
): Matrix4 {
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  if (!shape) return new Matrix4().makeRotationZ(turn).setPosition(x, y, z);
  const at = shape([x, y, z], letter);
  const along = shape([x + c * BESIDE, y + s * BESIDE, z], letter)
    .sub(at)
    .normalize();
  const rising = shape([x - s * BESIDE, y + c * BESIDE, z], letter).sub(at);
  const out = along.clone().cross(rising).normalize();
  const up = out.clone().cross(along);
  return new Matrix4().makeBasis(along, up, out).setPosition(at);
}
