import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import { Color, type PerspectiveCamera, type Scene, type WebGLRenderer } from 'three';

export interface PictureWish {
  width: number;
  height: number;
  clearGround: boolean;
}

export type TakePicture = (wish: PictureWish) => Promise<Uint8Array | undefined>;

/** Hands out a way to draw the present view at any size. */
export function PictureTaker({ onReady }: { onReady: (take: TakePicture | undefined) => void }) {
  const { gl, scene, camera } = useThree();
  useEffect(() => {
    onReady((wish) => draw(gl, scene, camera as PerspectiveCamera, wish));
    return () => onReady(undefined);
  }, [gl, scene, camera, onReady]);
  return null;
}

const GROUND = new Color('#e9e2d4');

/** Draws into the canvas itself at the wished size for one frame: so tone mapping and antialiasing are those of the view. */
async function draw(
  gl: WebGLRenderer,
  scene: Scene,
  camera: PerspectiveCamera,
  { width, height, clearGround }: PictureWish,
): Promise<Uint8Array | undefined> {
  const own = camera.clone();
  own.aspect = width / height;
  // what the view shows stays in the picture, whichever of the two is wider
  if (own.aspect < camera.aspect)
    own.fov = (2 * 180 * Math.atan(Math.tan((camera.fov * Math.PI) / 360) * (camera.aspect / own.aspect))) / Math.PI;
  own.updateProjectionMatrix();
  const before = {
    width: gl.domElement.width,
    height: gl.domElement.height,
    ratio: gl.getPixelRatio(),
    ground: scene.background,
  };
  try {
    scene.background = clearGround ? null : GROUND;
    gl.setPixelRatio(1);
    gl.setSize(width, height, false);
    gl.render(scene, own);
    const blob = await new Promise<Blob | null>((resolve) => gl.domElement.toBlob(resolve, 'image/png'));
    return blob ? new Uint8Array(await blob.arrayBuffer()) : undefined;
  } finally {
    scene.background = before.ground;
    gl.setPixelRatio(before.ratio);
    gl.setSize(before.width / before.ratio, before.height / before.ratio, false);
    gl.render(scene, camera);
  }
}
