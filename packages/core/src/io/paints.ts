import type { Document, Material, Texture, TextureInfo } from '@gltf-transform/core';
import { paintGroundOf, sameGround, type PaintGround } from './paintGround.ts';

/** What pictures of a material say, as in glTF 2.0, 3.9. */
export const PAINT_MAPS = ['colour', 'normal', 'roughMetal', 'occlusion', 'emissive'] as const;
export type PaintMap = (typeof PAINT_MAPS)[number];

/** A material that a model came with (metallic-roughness model of glTF 2.0). */
export interface Paint {
  name: string;
  /** linear red, green, blue and how opaque, 0 to 1 */
  colour: [number, number, number, number];
  roughness: number;
  metallic: number;
  emissive: [number, number, number];
  alpha: 'OPAQUE' | 'MASK' | 'BLEND';
  doubleSided: boolean;
  /** numbers of pictures */
  maps: Partial<Record<PaintMap, number>>;
}

export interface PaintImage {
  mime: string;
  bytes: Uint8Array;
}

/** All materials of a model. Their pictures are in the file itself; none is fetched from anywhere. */
export interface Paints {
  list: Paint[];
  images: PaintImage[];
  /**
   * pictures that lie by other texture coordinates than the first of their material, or of a kind that no browser shows
   */
  leftOut?: number;
}

const MIMES: readonly string[] = ['image/png', 'image/jpeg', 'image/webp'];

/**
 * The materials of a document in its own order, and by what coordinates the pictures of each lie: a mesh here has one
 * pair a corner, so pictures that lie by others than the first of their material are left out, and counted.
 */
export function paintsOf(document: Document): { paints: Paints; grounds: PaintGround[] } {
  const images: PaintImage[] = [];
  const number = new Map<Texture, number>();
  const imageOf = (texture: Texture): number | undefined => {
    const bytes = texture.getImage();
    if (!bytes || !MIMES.includes(texture.getMimeType())) return undefined;
    const known = number.get(texture);
    if (known !== undefined) return known;
    number.set(texture, images.length);
    return images.push({ mime: texture.getMimeType(), bytes: new Uint8Array(bytes) }) - 1;
  };
  const grounds: PaintGround[] = [];
  let leftOut = 0;
  const list = document
    .getRoot()
    .listMaterials()
    .map((material): Paint => {
      const { maps, ground, left } = mapsOf(material, imageOf);
      grounds.push(ground);
      leftOut += left;
      return {
        name: material.getName(),
        colour: material.getBaseColorFactor(),
        roughness: material.getRoughnessFactor(),
        metallic: material.getMetallicFactor(),
        emissive: material.getEmissiveFactor(),
        alpha: material.getAlphaMode(),
        doubleSided: material.getDoubleSided(),
        maps,
      };
    });
  return { paints: { list, images, ...(leftOut > 0 && { leftOut }) }, grounds };
}

/** In the order of PAINT_MAPS: the first that has a picture says by what coordinates they lie. */
const PICTURES: Record<PaintMap, (of: Material) => { texture: Texture | null; info: TextureInfo | null }> = {
  colour: (of) => ({ texture: of.getBaseColorTexture(), info: of.getBaseColorTextureInfo() }),
  normal: (of) => ({ texture: of.getNormalTexture(), info: of.getNormalTextureInfo() }),
  roughMetal: (of) => ({ texture: of.getMetallicRoughnessTexture(), info: of.getMetallicRoughnessTextureInfo() }),
  occlusion: (of) => ({ texture: of.getOcclusionTexture(), info: of.getOcclusionTextureInfo() }),
  emissive: (of) => ({ texture: of.getEmissiveTexture(), info: of.getEmissiveTextureInfo() }),
};

function mapsOf(
  material: Material,
  imageOf: (texture: Texture) => number | undefined,
): { maps: Paint['maps']; ground: PaintGround; left: number } {
  const maps: Paint['maps'] = {};
  let ground: PaintGround | undefined;
  let left = 0;
  for (const map of PAINT_MAPS) {
    const { texture, info } = PICTURES[map](material);
    if (!texture) continue;
    const own = paintGroundOf(info);
    const image = ground && !sameGround(own, ground) ? undefined : imageOf(texture);
    if (image === undefined) left++;
    else {
      maps[map] = image;
      ground ??= own;
    }
  }
  return { maps, ground: ground ?? paintGroundOf(null), left };
}

/** The same material in another document. `hasUv`: pictures need texture coordinates. */
export function paintedMaterial(
  document: Document,
  { list, images }: Paints,
  at: number,
  { hasUv, textures }: { hasUv: boolean; textures: Map<number, Texture> },
): Material {
  const { name, colour, roughness, metallic, emissive, alpha, doubleSided, maps } = list[at];
  const texture = (map: PaintMap): Texture | null => {
    const image = hasUv ? maps[map] : undefined;
    if (image === undefined) return null;
    const known =
      textures.get(image) ??
      document
        .createTexture(`picture ${image + 1}`)
        .setImage(new Uint8Array(images[image].bytes))
        .setMimeType(images[image].mime);
    textures.set(image, known);
    return known;
  };
  return document
    .createMaterial(name)
    .setBaseColorFactor(colour)
    .setRoughnessFactor(roughness)
    .setMetallicFactor(metallic)
    .setEmissiveFactor(emissive)
    .setAlphaMode(alpha)
    .setDoubleSided(doubleSided)
    .setBaseColorTexture(texture('colour'))
    .setNormalTexture(texture('normal'))
    .setMetallicRoughnessTexture(texture('roughMetal'))
    .setOcclusionTexture(texture('occlusion'))
    .setEmissiveTexture(texture('emissive'));
}
