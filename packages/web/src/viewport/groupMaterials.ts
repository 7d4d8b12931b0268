import { finishOf, type DisplayGroup, type Finish, type Slots } from '@fictile/core';
import { DoubleSide, type MeshStandardMaterial } from 'three';
import { materialOf, type SurfaceMode } from './materials.ts';

interface Looks {
  slots: Slots;
  /** of letters that have a finish of their own */
  ofLetter: (letter: number) => Finish | undefined;
  /** of other pieces, by id: what they have cut looks as they do */
  slotsOf: (pieceId: string) => Slots | undefined;
  /** of their letters that have a finish of their own */
  ofCutter: (pieceId: string, letter: number) => Finish | undefined;
  /** that a model keeps, by their numbers; undefined: it keeps none */
  painted: readonly MeshStandardMaterial[] | undefined;
}

/** A material for each group of a cluster's triangles. */
export const groupMaterials = (
  groups: readonly DisplayGroup[],
  { slots, ofLetter, slotsOf, ofCutter, painted }: Looks,
  mode: SurfaceMode,
): MeshStandardMaterial[] =>
  groups.map(({ part, letter, of, ofLetter: cutter, paint }) => {
    const kept = paint === undefined || mode.parts ? undefined : painted?.[paint];
    if (kept) return shaded(kept, mode);
    const own = of === undefined ? ofLetter(letter) : cutter === undefined ? undefined : ofCutter(of, cutter);
    return materialOf(own ?? finishOf((of !== undefined && slotsOf(of)) || slots, part), part, mode);
  });

function shaded(material: MeshStandardMaterial, { flat, bothSides }: SurfaceMode): MeshStandardMaterial {
  if (bothSides) material.side = DoubleSide;
  if (material.flatShading === flat) return material;
  material.flatShading = flat;
  material.needsUpdate = true;
  return material;
}
