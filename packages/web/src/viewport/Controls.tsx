import { useThree } from '@react-three/fiber';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { Frustum, Vector3, type Box3, type PerspectiveCamera } from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { nearer, type Pose } from './cameraMoves.ts';

export type ViewName = 'free' | 'front' | 'side' | 'top';

/** A wish for a view; a new serial makes it happen again. A pose is a view that was kept. */
export interface ViewWish {
  serial: number;
  view: ViewName | Pose;
}

/** The camera, for keys and for keeping views. */
export interface CameraHandle {
  pose(): Pose;
  change(move: (pose: Pose) => Pose): void;
  /** told whenever the camera has moved */
  onMove?: (pose: Pose) => void;
}

/** Free: from a little right and above, so that the depth can be seen. */
const FROM: Readonly<Record<ViewName, Vector3>> = {
  free: new Vector3(0.26, 0.16, 1).normalize(),
  front: new Vector3(0, 0, 1),
  side: new Vector3(1, 0, 0),
  top: new Vector3(0, 1, 0.0001).normalize(),
};

interface ControlsProps {
  box: Box3;
  wish: ViewWish;
  /** where to fly to; `room`: around it, of its diagonal */
  near: { box: Box3; room: number } | undefined;
  turns: boolean;
  /** how many pieces there are: one more that can't be seen from here is brought into sight */
  pieces: number;
  onCamera: (camera: CameraHandle | undefined) => void;
}

/**
 * Drag turns, right drag (or Shift) moves, the wheel or two fingers come nearer. Fits when first something is there and
 * whenever it is wished.
 */
export function Controls({ box, wish, near, turns, pieces, onCamera }: ControlsProps) {
  const { camera, gl, set, invalidate, size } = useThree();
  const controls = useRef<OrbitControls>(null);
  const [fitted, setFitted] = useState(-1);
  useEffect(() => {
    const made = new OrbitControls(camera, gl.domElement);
    made.enableDamping = false;
    made.zoomToCursor = true;
    const handle: CameraHandle = {
      pose: () => poseOf(camera, made),
      change: (move) => look(camera, made, move(poseOf(camera, made))),
    };
    made.addEventListener('change', () => {
      invalidate();
      handle.onMove?.(handle.pose());
    });
    controls.current = made;
    set({ controls: made }); // handles hold them while they are dragged
    onCamera(handle);
    return () => {
      onCamera(undefined);
      made.dispose();
    };
  }, [camera, gl, set, invalidate, onCamera]);
  useEffect(() => {
    if (!near || !controls.current) return;
    const roomy = near.box.clone().expandByScalar(near.box.getSize(new Vector3()).length() * near.room + 1);
    const from = camera.position.clone().sub(controls.current.target).normalize();
    fit(camera as PerspectiveCamera, controls.current, { box: roomy, aspect: size.width / size.height, from });
    invalidate();
  }, [near, camera, size, invalidate]);
  const aspect = size.width / size.height;
  useNewInSight(controls, { pieces, box });
  const before = useRef(aspect);
  useEffect(() => {
    // in a narrower or wider view the same is seen from side to side
    const factor = aspect / before.current;
    before.current = aspect;
    if (!controls.current || factor === 1 || !(factor > 0 && factor < Infinity)) return;
    look(camera, controls.current, nearer(poseOf(camera, controls.current), factor));
  }, [aspect, camera]);
  useEffect(() => {
    // while words are typed a drag selects; the wheel still comes nearer
    if (controls.current) controls.current.enableRotate = turns;
  }, [turns]);
  useEffect(() => {
    if (box.isEmpty() || fitted === wish.serial || !controls.current) return;
    const isNamed = typeof wish.view === 'string';
    fit(camera as PerspectiveCamera, controls.current, {
      box,
      aspect: size.width / size.height,
      from: isNamed ? FROM[wish.view as ViewName] : FROM.free,
    });
    if (!isNamed) look(camera, controls.current, wish.view as Pose);
    setFitted(wish.serial);
    invalidate();
  }, [box, wish, fitted, camera, size, invalidate]);
  return null;
}

/** A piece more that can't be seen from here is brought into sight. */
function useNewInSight(
  controls: RefObject<OrbitControls | null>,
  { pieces, box }: Pick<ControlsProps, 'pieces' | 'box'>,
): void {
  const { camera, size } = useThree();
  const aspect = size.width / size.height;
  const known = useRef(0);
  useEffect(() => {
    const isMore = known.current > 0 && pieces > known.current;
    known.current = pieces;
    if (!isMore || !controls.current || isInSight(camera as PerspectiveCamera, box)) return;
    const from = camera.position.clone().sub(controls.current.target).normalize();
    fit(camera as PerspectiveCamera, controls.current, { box, aspect, from });
  }, [pieces, box, camera, aspect, controls]);
}

function isInSight(camera: PerspectiveCamera, { min, max }: Box3): boolean {
  camera.updateMatrixWorld();
  const seen = new Frustum().setFromProjectionMatrix(
    camera.projectionMatrix.clone().multiply(camera.matrixWorldInverse),
  );
  return Array.from({ length: 8 }, (_, i) => cornerOf(min, max, i)).every((corner) => seen.containsPoint(corner));
}

const cornerOf = (min: Vector3, max: Vector3, i: number): Vector3 =>
  new Vector3(i & 1 ? max.x : min.x, i & 2 ? max.y : min.y, i & 4 ? max.z : min.z);

const poseOf = (camera: { position: Vector3 }, controls: OrbitControls): Pose => ({
  from: camera.position.toArray(),
  to: controls.target.toArray(),
});

function look(camera: { position: Vector3 }, controls: OrbitControls, { from, to }: Pose): void {
  camera.position.set(...from);
  controls.target.set(...to);
  controls.update();
}

interface Fit {
  box: Box3;
  aspect: number;
  from: Vector3;
}

/** Far enough that the box's corners, seen from there, lie inside the picture and above the bar at its foot. */
function fit(camera: PerspectiveCamera, controls: OrbitControls, { box, aspect, from }: Fit): void {
  const middle = box.getCenter(new Vector3());
  const half = Math.tan((camera.fov * Math.PI) / 360);
  const right = new Vector3(0, 1, 0).cross(from).normalize();
  const up = from.clone().cross(right);
  let distance = 1;
  for (let i = 0; i < 8; i++) {
    const corner = cornerOf(box.min, box.max, i).sub(middle);
    const across = Math.abs(corner.dot(right)) / (half * aspect);
    const upward = Math.abs(corner.dot(up)) / half;
    distance = Math.max(distance, corner.dot(from) + Math.max(1.14 * across, 1.25 * upward));
  }
  camera.near = distance / 100;
  camera.far = distance * 40;
  camera.updateProjectionMatrix();
  look(camera, controls, { from: middle.clone().addScaledVector(from, distance).toArray(), to: middle.toArray() });
}
