import { caretStops, nearestStop, type CaretStop, type ShownPiece, type WordsPiece } from '@fictile/core';
import { useMemo } from 'react';
import { Plane, Vector3, type Matrix4, type Ray } from 'three';
import { matrixOf } from './scene.ts';
import { frameOn, useShape } from './shapeFrame.ts';

/** Where a caret may stand on a piece's letters, shaped or not. */
export interface Stops {
  at: (place: number) => CaretStop | undefined;
  /** a frame on the letters' own front */
  frameOf: (stop: CaretStop) => Matrix4;
  /** the stop that is meant by a look at the letters; `ray` in the world */
  seenBy: (ray: Ray) => number | undefined;
  /** mm: of the line, and of the plane that carets stand on */
  height: number;
  front: number;
}

/** Of a line's height: so far before the letters' front carets stand. */
const BEFORE_FRONT = 0.004;

export function useStops(piece: WordsPiece, shown: ShownPiece): Stops {
  const { line, letters, transform } = shown;
  const { graphemes } = piece.source;
  const shape = useShape(piece.steps, shown);
  const stops = useMemo(() => caretStops(graphemes, letters, line.baselines), [graphemes, letters, line.baselines]);
  return useMemo(() => {
    const height = line.up - line.down;
    const front = line.front + height * BEFORE_FRONT;
    const world = matrixOf(transform);
    const frameOf = ({ x, y, turn, at }: CaretStop): Matrix4 => {
      // the letter after a stop; at the end the last one
      const letter = graphemes[Math.min(at, graphemes.length - 1)]?.id;
      return frameOn(shape, [x, y, front], { turn, letter });
    };
    const onPlane = (ray: Ray): CaretStop | undefined => {
      const own = ray.clone().applyMatrix4(world.clone().invert());
      const met = own.intersectPlane(new Plane(new Vector3(0, 0, 1), -front), new Vector3());
      return met ? nearestStop(stops, met.x, met.y, line.up + line.down) : undefined;
    };
    // on shaped letters: the stop whose middle lies nearest to where the pointer looks
    const onShape = (ray: Ray): CaretStop | undefined => {
      const middle = (line.up + line.down) / 2;
      const far = stops.map((stop) =>
        ray.distanceSqToPoint(new Vector3(0, middle, 0).applyMatrix4(frameOf(stop)).applyMatrix4(world)),
      );
      return stops[far.indexOf(Math.min(...far))];
    };
    return {
      at: (place) => stops[Math.min(place, stops.length - 1)],
      frameOf,
      seenBy: (ray) => (shape ? onShape(ray) : onPlane(ray))?.at,
      height,
      front,
    };
  }, [line, transform, graphemes, shape, stops]);
}
