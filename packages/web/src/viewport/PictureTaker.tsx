import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import type { SceneView } from '@fictile/core';
import type { PerspectiveCamera, Scene, WebGLRenderer } from 'three';
import { backdropOf, backdropTexture } from './backdrop.ts';

export interface PictureWish {
  width: number;
  height: number;
  clearGround: boolean;
}

export type TakePicture = (wish: PictureWish) => Promise<Uint8Array | undefined>;

interface PictureTakerProps {
  surroundings: SceneView['surroundings'];
  onReady: (take: TakePicture | undefined) => void;
}

/** Hands out a way to draw the present view at any size. */
export function PictureTaker({ surroundings, onReady }: PictureTakerProps) {
  const { gl, scene, camera } = useThree();
  useEffect(() => {
    onReady((wish) => draw({ gl, scene, camera: camera as PerspectiveCamera, surroundings }, wish));
    return () => onReady(undefined);
  }, [gl, scene, camera, surroundings, onReady]);
  return null;
}

interface Studio {
  gl: WebGLRenderer;
  scene: Scene;
  camera: PerspectiveCamera;
  surroundings: SceneView['surroundings'];
}

/**
 * Draws into the canvas itself at the wished size for one frame: so tone mapping and antialiasing are those of the
 * view.
 */
async function draw(
  { gl, scene, camera, surroundings }: Studio,
  { width, height, clearGround }: PictureWish,
): Promise<Uint8Array | undefined> {
  const own = camera.clone();
  own.clearViewOffset();
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
  const ground = clearGround ? null : backdropTexture(backdropOf(surroundings));
  const tools = scene.children.filter((child) => child.userData.isTool === true && child.visible);
  try {
    for (const tool of tools) tool.visible = false;
    scene.background = ground;
    gl.setPixelRatio(1);
    gl.setSize(width, height, false);
    gl.render(scene, own);
    const blob = await new Promise<Blob | null>((resolve) => gl.domElement.toBlob(resolve, 'image/png'));
    return blob ? new Uint8Array(await blob.arrayBuffer()) : undefined;
  } finally {
    for (const tool of tools) tool.visible = true;
    ground?.dispose();
    scene.background = before.ground;
    gl.setPixelRatio(before.ratio);
    gl.setSize(before.width / before.ratio, before.height / before.ratio, false);
    gl.render(scene, camera);
  }
}
