import { ownOf, SLOTS, type Piece, type ShownPiece, type Slots } from '@fictile/core';
import type { Box3 } from 'three';
import {
  DirectionalLight,
  Group,
  HemisphereLight,
  Mesh,
  NeutralToneMapping,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  ShadowMaterial,
  Vector3,
  WebGLRenderer,
} from 'three';
import { GeometryShelf } from './geometries.ts';
import { groupMaterials } from './groupMaterials.ts';
import { finishesOf, letterFinishes } from './letterFinishes.ts';
import { drawnBounds, matrixOf } from './scene.ts';
import { lightAround, LOOKS } from './surroundings.ts';

export type PieceLook = Pick<Piece, 'slots' | 'source'>;

const USUAL_MODE = { parts: false, flat: false };

/** What the page asks: pieces with their buffers, and their looks. */
export interface PictureRequest {
  serial: number;
  pieces: ShownPiece[];
  looks: Record<string, PieceLook>;
  width: number;
  height: number;
}
export interface PictureReply {
  serial: number;
  /** a PNG with a clear ground; none where nothing can be drawn */
  picture: Blob | undefined;
}

interface PictureScope {
  onmessage: ((event: MessageEvent<PictureRequest>) => void) | null;
  postMessage(reply: PictureReply): void;
}
const context = self as unknown as PictureScope;

context.onmessage = (event) => {
  const { serial } = event.data;
  void draw(event.data).then(
    (picture) => context.postMessage({ serial, picture }),
    () => context.postMessage({ serial, picture: undefined }),
  );
};

let renderer: WebGLRenderer | undefined;

async function draw({ pieces, looks, width, height }: PictureRequest): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  renderer?.dispose();
  renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true, preserveDrawingBuffer: true });
  renderer.toneMapping = NeutralToneMapping;
  renderer.shadowMap.enabled = true;
  const shelf = new GeometryShelf();
  shelf.update(pieces);
  const scene = new Scene();
  await Promise.all(pieces.map((piece) => shelf.painted(piece)?.ready));
  for (const piece of pieces) scene.add(solidOf(piece, looks, shelf));
  const box = drawnBounds(pieces, shelf);
  light(scene, box);
  if (Object.values(looks).some(hasMetal)) mirrorRoom(scene);
  renderer.render(scene, cameraFor(box, width / height));
  shelf.clear();
  return canvas.convertToBlob({ type: 'image/png' });
}

function solidOf(piece: ShownPiece, all: Readonly<Record<string, PieceLook>>, shelf: GeometryShelf): Group {
  const look = all[piece.pieceId];
  const group = new Group();
  group.applyMatrix4(matrixOf(piece.transform));
  for (const cluster of piece.clusters) {
    const geometry = shelf.get(cluster.key);
    if (!geometry) continue;
    const ofLetter = letterFinishes(look, piece, cluster);
    const slotsOf = (id: string): Slots | undefined => all[id]?.slots;
    const mesh = new Mesh(
      geometry.solid,
      groupMaterials(
        geometry.groups,
        { slots: look.slots, ofLetter, slotsOf, ofCutter: finishesOf(all), painted: shelf.painted(piece)?.materials },
        USUAL_MODE,
      ),
    );
    mesh.position.set(cluster.x, cluster.y, cluster.z);
    mesh.castShadow = mesh.receiveShadow = true;
    group.add(mesh);
  }
  return group;
}

/**
 * Simpler than the workshop's daylight: small pictures are drawn many at a time, and in software where there is no
 * better.
 */
function light(scene: Scene, box: Box3): void {
  const size = box.getSize(new Vector3());
  const middle = box.getCenter(new Vector3());
  const reach = Math.max(size.x, size.y, size.z, 1);
  scene.add(new HemisphereLight('#ffffff', '#b59b78', 2.1));
  const sun = new DirectionalLight('#fff3e2', 2.4);
  sun.position.set(middle.x - reach * 0.55, box.min.y + reach * 1.3, middle.z + reach * 1.1);
  sun.target.position.copy(middle);
  sun.castShadow = true;
  sun.shadow.mapSize.set(1024, 1024);
  Object.assign(sun.shadow.camera, {
    left: -reach,
    right: reach,
    top: reach,
    bottom: -reach,
    near: reach * 0.1,
    far: reach * 4,
  });
  sun.shadow.bias = -0.0008;
  sun.shadow.normalBias = reach * 0.0006;
  scene.add(sun, sun.target);
  const table = new Mesh(
    new PlaneGeometry(reach * 40, reach * 40),
    new ShadowMaterial({ opacity: 0.3, color: '#4a3520' }),
  );
  table.rotateX(-Math.PI / 2);
  table.position.set(middle.x, box.min.y - reach * 0.0005, middle.z);
  table.receiveShadow = true;
  scene.add(table);
}

const hasMetal = (look: PieceLook): boolean =>
  [...SLOTS.map((slot) => look.slots[slot]), ...Object.values(ownOf(look)).map((own) => own.finish)].some(
    (finish) => (finish?.metal ?? 0) > 0,
  );

/** Metals show nothing but what is around them; others do without. */
function mirrorRoom(scene: Scene): void {
  scene.environment = lightAround(LOOKS.daylight);
  scene.environmentIntensity = LOOKS.daylight.around;
}

function cameraFor(box: Box3, aspect: number): PerspectiveCamera {
  const camera = new PerspectiveCamera(30, aspect);
  const from = new Vector3(0.26, 0.16, 1).normalize();
  const middle = box.getCenter(new Vector3());
  const size = box.getSize(new Vector3());
  const half = Math.tan((camera.fov * Math.PI) / 360);
  const distance = 1.25 * Math.max(size.y / 2 / half, size.x / 2 / (half * aspect)) + size.z;
  camera.near = distance / 100;
  camera.far = distance * 40;
  camera.position.copy(middle).addScaledVector(from, distance);
  camera.lookAt(middle);
  camera.updateProjectionMatrix();
  return camera;
}
