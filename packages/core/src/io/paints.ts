import type { Document, Material, Texture, TextureInfo } from '@gltf-transform/core';

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
}

const MIMES: readonly string[] = ['image/png', 'image/jpeg', 'image/webp'];

/** The materials of a document, in its own order. Pictures of kinds that no browser shows are left out, and such as stand for other texture coordinates than the first. */
export function paintsOf(document: Document): Paints {
  const images: PaintImage[] = [];
  const number = new Map<Texture, number>();
  const imageOf = (texture: Texture | null, info: TextureInfo | null): number | undefined => {
    const bytes = texture?.getImage();
    if (!texture || !bytes || !MIMES.includes(texture.getMimeType()) || (info?.getTexCoord() ?? 0) !== 0) return undefined;
    const known = number.get(texture);
    if (known !== undefined) return known;
    number.set(texture, images.length);
    return images.push({ mime: texture.getMimeType(), bytes: new Uint8Array(bytes) }) - 1;
  };
  const list = document.getRoot().listMaterials().map((material): Paint => ({
    name: material.getName(),
    colour: material.getBaseColorFactor(),
    roughness: material.getRoughnessFactor(),
    metallic: material.getMetallicFactor(),
    emissive: material.getEmissiveFactor(),
    alpha: material.getAlphaMode(),
    doubleSided: material.getDoubleSided(),
    maps: mapsOf(material, imageOf),
  }));
  return { list, images };
} // prettier-ignore

function mapsOf(material: Material, imageOf: (texture: Texture | null, info: TextureInfo | null) => number | undefined): Paint['maps'] {
  const found: Record<PaintMap, number | undefined> = {
    colour: imageOf(material.getBaseColorTexture(), material.getBaseColorTextureInfo()),
    normal: imageOf(material.getNormalTexture(), material.getNormalTextureInfo()),
    roughMetal: imageOf(material.getMetallicRoughnessTexture(), material.getMetallicRoughnessTextureInfo()),
    occlusion: imageOf(material.getOcclusionTexture(), material.getOcclusionTextureInfo()),
    emissive: imageOf(material.getEmissiveTexture(), material.getEmissiveTextureInfo()),
  };
  return Object.fromEntries(Object.entries(found).filter(([, value]) => value !== undefined));
} // prettier-ignore

/** The same material in another document. `hasUv`: pictures need texture coordinates. */
export function paintedMaterial(document: Document, { list, images }: Paints, at: number, { hasUv, textures }: { hasUv: boolean; textures: Map<number, Texture> }): Material {
  const { name, colour, roughness, metallic, emissive, alpha, doubleSided, maps } = list[at];
  const texture = (map: PaintMap): Texture | null => {
    const image = hasUv ? maps[map] : undefined;
    if (image === undefined) return null;
    const known = textures.get(image) ?? document.createTexture(`picture ${image + 1}`).setImage(new Uint8Array(images[image].bytes)).setMimeType(images[image].mime);
    textures.set(image, known);
    return known;
  };
  return document.createMaterial(name)
    .setBaseColorFactor(colour).setRoughnessFactor(roughness).setMetallicFactor(metallic).setEmissiveFactor(emissive)
    .setAlphaMode(alpha).setDoubleSided(doubleSided)
    .setBaseColorTexture(texture('colour')).setNormalTexture(texture('normal')).setMetallicRoughnessTexture(texture('roughMetal'))
    .setOcclusionTexture(texture('occlusion')).setEmissiveTexture(texture('emissive'));
} // prettier-ignore
