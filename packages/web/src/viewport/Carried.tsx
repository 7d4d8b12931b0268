import {
  sidePlaceAt,
  STILL,
  type HeldPlace,
  type OntoStep,
  type ShownPiece,
  type Vec3,
  sizeOfBox,
} from '@fictile/core';
import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useRef, useState } from 'react';
import { Raycaster, Vector2, type Camera, type Group, type Object3D, type Scene, type Vector3 } from 'three';
import type { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import type { GeometryShelf } from './geometries.ts';
import { heldAt, type Met } from './heldAt.ts';
import { boundsOf, matrixOf, solidName, TOOL } from './scene.ts';

/** Where on a body something is held that is on its way. */
export interface HeldOn extends Pick<OntoStep, 'fromMm' | 'toward' | 'up'> {
  bodyId: string;
  place: HeldPlace;
}

/** A piece on its way over the bodies of the scene. */
export interface Carrying {
  /** ids of the pieces that it may be put on; none: a piece is asked for first */
  over: readonly string[];
  /** ids of the pieces that may be taken */
  press: readonly string[];
  /** the body that it was begun on, or was chosen by its name: it is brought near */
  begunOn: string | undefined;
  /** as it was built last */
  shown: ShownPiece | undefined;
  hold: (held: HeldOn) => void;
  pick: (pieceId: string) => void;
  /** by so many notches of the wheel */
  size: (notches: number) => void;
  turn: (degrees: number) => void;
  /** puts it down there, or where it is */
  take: (held?: HeldOn) => void;
}

interface CarriedProps {
  carrying: Carrying;
  pieces: readonly ShownPiece[];
  shelf: GeometryShelf;
}

/** Pixels that a press may stray by; farther it has turned the view. */
const STRAY = 4;
const PIXELS_A_NOTCH = 100;
const DEGREES_A_NOTCH = 5;
const DEGREES_A_PIXEL = 0.5;

/** Lets a piece follow the pointer over bodies: the wheel sizes it, Shift turns it, a press takes it. */
export function Carried(props: CarriedProps) {
  const { gl, camera, scene, controls, invalidate } = useThree();
  const latest = useRef(props);
  latest.current = props;
  const [met, setMet] = useState<Vector3>();
  useEffect(() => {
    const orbit = controls as OrbitControls | null;
    const zooms = orbit?.enableZoom ?? true;
    if (orbit) orbit.enableZoom = false;
    const end = followPointer(gl.domElement, {
      latest: () => latest.current,
      seen: (at, ids) => nearest(at, { camera, scene, ids }),
      onMet: setMet,
    });
    return () => {
      end();
      if (orbit) orbit.enableZoom = zooms;
    };
  }, [gl, camera, scene, controls]);
  useEffect(() => invalidate(), [met, invalidate]);
  return met ? <Aim at={met} /> : null;
}

interface Seen extends Met {
  id: string;
}

interface Follow {
  latest: () => CarriedProps;
  /** the nearest of some pieces at a place of the view, -1 to 1 */
  seen: (at: Vector2, ids: readonly string[]) => Seen | undefined;
  onMet: (place: Vector3) => void;
}

function placeIn(canvas: HTMLCanvasElement, event: MouseEvent): Vector2 {
  const box = canvas.getBoundingClientRect();
  return new Vector2(
    (2 * (event.clientX - box.left)) / box.width - 1,
    1 - (2 * (event.clientY - box.top)) / box.height,
  );
}

function sizeOrTurn(event: WheelEvent, carrying: Carrying): void {
  event.preventDefault();
  // a touchpad sends many small ones where a wheel sends one
  const far = event.deltaY !== 0 ? event.deltaY : event.deltaX;
  const notches = Math.max(-1, Math.min(1, far / PIXELS_A_NOTCH));
  if (event.shiftKey) carrying.turn(-DEGREES_A_NOTCH * notches);
  else carrying.size(-notches);
}

/** Gives what ends it. */
function followPointer(canvas: HTMLCanvasElement, { latest, seen, onMet }: Follow): () => void {
  const placeOf = (event: MouseEvent): Vector2 => placeIn(canvas, event);
  let pressed: PointerEvent | undefined;
  let asked: number | undefined;
  let last: PointerEvent | undefined;
  const heldUnder = (event: MouseEvent): { found: Seen; held: HeldOn } | undefined => {
    const { carrying, pieces, shelf } = latest();
    const found = seen(placeOf(event), carrying.over);
    const body = found && pieces.find(({ pieceId }) => pieceId === found.id);
    const held = found && body && heldOn(found, body, shelf);
    return held && { found, held };
  };
  const follow = (event: PointerEvent): void => {
    const under = heldUnder(event);
    if (!under) return;
    onMet(under.found.hit.point.clone());
    latest().carrying.hold(under.held);
  };
  const onMove = (event: PointerEvent): void => {
    if (event.buttons !== 0) return;
    const { carrying } = latest();
    const by = event.shiftKey && last ? event.clientX - last.clientX : 0;
    last = event;
    if (event.shiftKey) return by === 0 ? undefined : carrying.turn(-DEGREES_A_PIXEL * by);
    asked ??= requestAnimationFrame(() => {
      asked = undefined;
      if (last) follow(last);
    });
  };
  const onClick = (event: MouseEvent): void => {
    // the press is over with this: on what is put by it, it would press once more
    event.stopPropagation();
    const isPress = pressed && Math.hypot(event.clientX - pressed.clientX, event.clientY - pressed.clientY) <= STRAY;
    pressed = undefined;
    if (!isPress) return;
    const { carrying } = latest();
    const taken = seen(placeOf(event), carrying.press);
    if (taken) carrying.pick(taken.id);
    else {
      // a finger presses without having moved there
      const under = heldUnder(event);
      if (under) carrying.take(under.held);
    }
  };
  const onWheel = (event: WheelEvent): void => sizeOrTurn(event, latest().carrying);
  const gone = new AbortController();
  const heard = { signal: gone.signal, passive: false };
  canvas.style.cursor = 'crosshair';
  canvas.addEventListener('pointermove', onMove, heard);
  canvas.addEventListener('pointerdown', (event) => void (pressed = event.button === 0 ? event : undefined), heard);
  canvas.addEventListener('click', onClick, heard);
  canvas.addEventListener('wheel', onWheel, heard);
  return () => {
    gone.abort();
    if (asked !== undefined) cancelAnimationFrame(asked);
    canvas.style.cursor = '';
  };
}

function nearest(
  at: Vector2,
  { camera, scene, ids }: { camera: Camera; scene: Scene; ids: readonly string[] },
): Seen | undefined {
  const caster = new Raycaster();
  caster.setFromCamera(at, camera);
  const found = ids.flatMap((id) => {
    const solid: Object3D | undefined = scene.getObjectByName(solidName(id));
    const hit = solid && caster.intersectObject(solid, true).at(0);
    return hit ? [{ id, hit, sight: caster.ray.direction }] : [];
  });
  return found.sort((a, b) => a.hit.distance - b.hit.distance).at(0);
}

/** Of a side's length: so near to its middle means its middle. */
const SNAPS = 0.03;

/** A named place of the body where it has one there, else the pressed one. */
function heldOn(met: Met, body: ShownPiece, shelf: GeometryShelf): HeldOn | undefined {
  const toWorld = matrixOf(body.transform);
  const pressed = heldAt(met, toWorld);
  if (!pressed) return undefined;
  const box = boundsOf([{ ...body, transform: STILL }], shelf);
  const out = pressed.toward.map((v) => 0 - v) as Vec3;
  const side = sidePlaceAt(pressed.at, out, box);
  const rest = { bodyId: body.pieceId, fromMm: pressed.fromMm, toward: pressed.toward, up: [0, 1, 0] as Vec3 };
  if (!side) return { ...rest, place: { kind: 'pressed' } };
  const near = SNAPS * Math.max(...sizeOfBox(box));
  const snapped = (mm: number): number => (Math.abs(mm) < near ? 0 : mm);
  return { ...rest, place: { ...side, acrossMm: snapped(side.acrossMm), upMm: snapped(side.upMm) } };
}

/** Of the screen's height. */
const RING = 0.02;

/** The place under the pointer. */
function Aim({ at }: { at: Vector3 }) {
  const group = useRef<Group>(null);
  useFrame(({ camera }) => {
    const half = Math.tan(((camera as { fov?: number }).fov ?? 30) * (Math.PI / 360));
    group.current?.scale.setScalar(2 * RING * half * camera.position.distanceTo(at));
    group.current?.quaternion.copy(camera.quaternion);
  });
  return (
    <group ref={group} position={at} userData={TOOL}>
      {[
        ['#fdfbf6', 0.62, 1],
        ['#22489c', 0.72, 0.9],
      ].map(([colour, inner, outer], i) => (
        <mesh key={i} renderOrder={7 + i} raycast={() => null}>
          <ringGeometry args={[Number(inner), Number(outer), 40]} />
          <meshBasicMaterial color={String(colour)} depthTest={false} transparent toneMapped={false} />
        </mesh>
      ))}
    </group>
  );
}
