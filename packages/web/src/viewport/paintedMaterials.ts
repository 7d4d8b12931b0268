import type { Paint, Paints } from '@fictile/core';
import { Color, DoubleSide, FrontSide, MeshStandardMaterial, RepeatWrapping, SRGBColorSpace, Texture } from 'three';

/** Materials that a model came with, as the renderer takes them. */
export interface PaintedMaterials {
  materials: readonly MeshStandardMaterial[];
  /** all pictures are there */
  ready: Promise<void>;
  dispose: () => void;
}

export function paintedMaterials({ list, images }: Paints): PaintedMaterials {
  const textures = new Map<string, Texture>();
  const pending: Promise<void>[] = [];
  const textureOf = (image: number | undefined, isColour: boolean): Texture | null => {
    if (image === undefined) return null;
    const key = `${image} ${isColour}`;
    const known = textures.get(key);
    if (known) return known;
    const texture = new Texture();
    texture.wrapS = texture.wrapT = RepeatWrapping;
    texture.flipY = false;
    if (isColour) texture.colorSpace = SRGBColorSpace;
    textures.set(key, texture);
    const { bytes, mime } = images[image];
    pending.push(decoded(new Blob([bytes as Uint8Array<ArrayBuffer>], { type: mime }), texture));
    return texture;
  };
  const materials = list.map((paint) => materialOf(paint, textureOf));
  return {
    materials,
    ready: Promise.all(pending).then(() => undefined),
    dispose: () => [...materials, ...textures.values()].forEach((one) => one.dispose()),
  };
}

/** A picture that can't be read leaves the plain colour. */
async function decoded(blob: Blob, texture: Texture): Promise<void> {
  try {
    texture.image = await createImageBitmap(blob, { imageOrientation: 'flipY', colorSpaceConversion: 'none' });
    texture.needsUpdate = true;
  } catch {
    texture.dispose();
  }
}

function materialOf(
  paint: Paint,
  textureOf: (image: number | undefined, isColour: boolean) => Texture | null,
): MeshStandardMaterial {
  const {
    colour: [r, g, b, opacity],
    maps,
  } = paint;
  const roughMetal = textureOf(maps.roughMetal, false);
  return new MeshStandardMaterial({
    color: new Color(r, g, b),
    roughness: paint.roughness,
    metalness: paint.metallic,
    emissive: new Color(...paint.emissive),
    map: textureOf(maps.colour, true),
    normalMap: textureOf(maps.normal, false),
    roughnessMap: roughMetal,
    metalnessMap: roughMetal,
    aoMap: textureOf(maps.occlusion, false),
    emissiveMap: textureOf(maps.emissive, true),
    opacity: paint.alpha === 'BLEND' ? opacity : 1,
    transparent: paint.alpha === 'BLEND',
    alphaTest: paint.alpha === 'MASK' ? 0.5 : 0,
    side: paint.doubleSided ? DoubleSide : FrontSide,
    polygonOffset: true,
    polygonOffsetFactor: 1,
    polygonOffsetUnits: 1,
  });
}
