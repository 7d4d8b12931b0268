import type { ThreeEvent } from '@react-three/fiber';
import type { Box3, Vec3 } from '@fictile/core';
import { useMemo, useState } from 'react';
import { Vector3, type Ray } from 'three';
import { bearing, facing, onPlane, onUpright, toStep, turnBetween } from './drags.ts';
import { gridStep } from './gridStep.ts';
import { Dots, Knob } from './handleParts.tsx';
import { drawnBox, TOOL } from './scene.ts';
import { useDrag, type DragHandlers } from './useDrag.ts';

/** How far a drag has come since it began. */
export interface PlaceChange {
  moveMm: readonly [number, number, number];
  turnDegrees: number;
}

export interface Placing {
  begin: () => void;
  change: (change: PlaceChange) => void;
  /** the words that stand at a handle while it is dragged */
  words: (change: PlaceChange) => string;
}

interface HandlesProps {
  /** where it stands in the scene, and is turned about */
  pivot: Vec3;
  /** which way it looks, radians about the upright axis */
  bearing: number;
  /** around the piece where it stands */
  box: Box3;
  placing: Placing;
}

const STILL_THERE: PlaceChange = { moveMm: [0, 0, 0], turnDegrees: 0 };
const UP = new Vector3(0, 1, 0);
const COARSE_TURN = 15;

/**
 * What moves and turns a piece: a ring of dots on the table with a ball that turns it, a puck before it that slides it
 * over the table, and a ball on a dotted stem that lifts it. Shift goes in coarse steps.
 */
export function PlaceHandles({ pivot, bearing: looks, box: around, placing }: HandlesProps) {
  const [shown, setShown] = useState<{ by: string; text: string }>();
  const { step, centre, top, puck, ring, ball, lift } = useHandleSpots(pivot, looks, around);
  const tell = (by: string, change: PlaceChange): void => {
    placing.change(change);
    setShown({ by, text: placing.words(change) });
  };
  const startAt = (by: string): void => {
    placing.begin();
    setShown({ by, text: placing.words(STILL_THERE) });
  };
  const grid = (coarse: boolean): number => step * (coarse ? 10 : 1);
  const slide = useDrag((event) => {
    startAt('puck');
    return slideOver(event, {
      normal: UP,
      through: puck,
      take: (by, coarse) =>
        tell('puck', { moveMm: [toStep(by.x, grid(coarse)), 0, toStep(by.z, grid(coarse))], turnDegrees: 0 }),
    });
  });
  const raise = useDrag((event) => {
    const from = onUpright(event.ray, lift)?.y;
    if (from === undefined) return undefined;
    startAt('lift');
    return (ray, coarse) => {
      const y = onUpright(ray, lift)?.y;
      if (y !== undefined) tell('lift', { moveMm: [0, toStep(y - from, grid(coarse)), 0], turnDegrees: 0 });
    };
  });
  const turn = useDrag((event) => {
    const from = onPlane(event.ray, centre, UP);
    if (!from) return undefined;
    startAt('ball');
    return (ray, coarse) => {
      const at = onPlane(ray, centre, UP);
      if (!at) return;
      const by = turnBetween(bearing(from, centre), bearing(at, centre));
      tell('ball', { moveMm: [0, 0, 0], turnDegrees: toStep(by, coarse ? COARSE_TURN : 1) });
    };
  });
  const text = (by: string): string | undefined => (shown?.by === by ? shown.text : undefined);
  const done = (): void => setShown(undefined);
  return (
    <group userData={TOOL}>
      <Dots points={useMemo(() => circle(centre.toArray(), ring), [centre, ring])} />
      <Dots points={useMemo(() => stem(top.toArray(), lift.y), [top, lift])} />
      <Knob at={ball} drag={turn} text={text('ball')} onDone={done}>
        <sphereGeometry args={[1, 24, 16]} />
      </Knob>
      <Knob at={puck} drag={slide} text={text('puck')} onDone={done}>
        <cylinderGeometry args={[1.35, 1.35, 0.55, 32]} />
      </Knob>
      <Knob at={lift} drag={raise} text={text('lift')} onDone={done}>
        <sphereGeometry args={[1, 24, 16]} />
      </Knob>
    </group>
  );
}

function useHandleSpots([x, y, z]: Vec3, looks: number, around: Box3): ReturnType<typeof spotsOf> {
  return useMemo(() => spotsOf([x, y, z], looks, around), [x, y, z, looks, around]);
}

/** Where the handles stand about a piece. */
function spotsOf(pivot: Vec3, angle: number, around: Box3) {
  const box = drawnBox(around);
  const size = box.getSize(new Vector3());
  const middle = box.getCenter(new Vector3());
  const centre = new Vector3(pivot[0], box.min.y, pivot[2]);
  const foot = Math.hypot(size.x, size.z) / 2;
  const room = Math.max(foot * 0.12, size.y * 0.06);
  const reach = foot + Math.hypot(middle.x - centre.x, middle.z - centre.z);
  const puck = new Vector3(middle.x, box.min.y, box.max.z + room);
  const ring = Math.max(reach * 1.04, puck.z - centre.z + room); // the puck lies inside
  const top = new Vector3(middle.x, box.max.y, middle.z);
  return {
    step: gridStep(Math.max(size.x, size.y, size.z)) / 20,
    ...{ centre, puck, ring, top },
    ball: centre.clone().add(new Vector3(Math.sin(angle), 0, Math.cos(angle)).multiplyScalar(ring)),
    lift: top.clone().setY(box.max.y + size.y * 0.28),
  };
}

/** Follows the pointer in a plane through a point; gives how far it came. */
export function slideOver(
  event: ThreeEvent<PointerEvent>,
  { normal, through, take }: { normal: Vector3; through: Vector3; take: (by: Vector3, coarse: boolean) => void },
): ((ray: Ray, coarse: boolean) => void) | undefined {
  const from = onPlane(event.ray, through, normal);
  if (!from) return undefined;
  return (ray, coarse) => {
    const at = onPlane(ray, through, normal);
    if (at) take(at.sub(from), coarse);
  };
}

/** Drags of the solid itself: in the plane that the view faces; what stands on the table stays on it. */
export function useSolidDrag(placing: Placing | undefined, isOnTable: boolean, step: number): DragHandlers {
  return useDrag((event) => {
    if (!placing) return undefined;
    placing.begin();
    const normal = facing(event.ray.direction);
    return slideOver(event, {
      normal,
      through: event.point.clone(),
      take: (by, coarse) => {
        const to = (v: number): number => toStep(v, step * (coarse ? 10 : 1));
        placing.change({ moveMm: [to(by.x), isOnTable ? 0 : to(by.y), to(by.z)], turnDegrees: 0 });
      },
    });
  });
}

const DOTS = 72;

const circle = ([x, y, z]: readonly number[], radius: number): number[] =>
  Array.from({ length: DOTS }, (_, i) => (i / DOTS) * 2 * Math.PI).flatMap((a) => [
    x + radius * Math.sin(a),
    y,
    z + radius * Math.cos(a),
  ]);

const stem = ([x, y, z]: readonly number[], to: number): number[] =>
  Array.from({ length: 9 }, (_, i) => y + ((to - y) * i) / 9).flatMap((at) => [x, at, z]);
