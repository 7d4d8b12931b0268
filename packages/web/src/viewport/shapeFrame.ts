import { frameOn as frameOnLetters, restShape, type ShownPiece, type Step } from '@fictile/core';
import { useMemo } from 'react';
import { Vector3, type Matrix4 } from 'three';
import { matrixOf } from './scene.ts';
import type { Place } from './stepPlaces.ts';

/** Where the steps of a piece put a place of its flat layout, as one of some letter; piece space, mm. */
export type Shape = (rest: Place, letter?: number) => Vector3;

/** Undefined where nothing is shaped. */
export function useShape(
  steps: readonly Step[],
  { flat, onto, lines }: Pick<ShownPiece, 'flat' | 'onto' | 'lines'>,
): Shape | undefined {
  return useMemo(() => {
    const shape = restShape(steps, { flat, onto, lines });
    return shape && ((rest, letter) => new Vector3(...shape([...rest], letter)));
  }, [steps, flat, onto, lines]);
}

/** A frame that stands on the letters, as drawing takes it. */
export const frameOn = (
  shape: Shape | undefined,
  [x, y, z]: Place,
  around: { turn: number; letter?: number },
): Matrix4 => matrixOf(frameOnLetters(shape && ((rest, letter) => shape(rest, letter).toArray()), [x, y, z], around));
