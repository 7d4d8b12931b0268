import { lookOf, type Finish, type Part } from '@fictile/core';
import { Color, DoubleSide, FrontSide, MeshStandardMaterial } from 'three';

/**
 * How surfaces are drawn: in their finishes, or each part in a tint of its own; facets told apart or shaded smoothly.
 */
export interface SurfaceMode {
  parts: boolean;
  flat: boolean;
  /** sheets have two sides, and are seen from both */
  bothSides?: boolean;
}

const PART_TINTS: Readonly<Record<Part, string>> = {
  front: '#e9dfc8',
  frontEdge: '#5f86c9',
  outerWall: '#7fa893',
  innerWall: '#c9a25c',
  backEdge: '#8e7fb5',
  back: '#c98f78',
  body: '#b9b2a6',
  floor: '#d9b48f',
  recess: '#8ba9a3',
  lip: '#6d8fc4',
  foot: '#a58bb0',
};

/** Of what cuts another piece, while it is worked on: seen through, so that what it does stays in sight. */
export const ghostMaterial = new MeshStandardMaterial({
  color: '#c87950',
  transparent: true,
  opacity: 0.28,
  depthWrite: false,
  roughness: 0.9,
});

const shelf = new Map<string, MeshStandardMaterial>();

/** Equal looks share one material. */
export function materialOf(
  finish: Finish,
  part: Part,
  { parts, flat, bothSides = false }: SurfaceMode,
): MeshStandardMaterial {
  const key = `${parts ? part : JSON.stringify(finish)} ${flat} ${bothSides}`;
  const known = shelf.get(key);
  if (known) return known;
  const material = new MeshStandardMaterial({
    flatShading: flat,
    side: bothSides ? DoubleSide : FrontSide,
    polygonOffset: true,
    polygonOffsetFactor: 1,
    polygonOffsetUnits: 1,
  });
  if (parts) {
    material.color.set(PART_TINTS[part]);
    material.roughness = 0.7;
  } else {
    const look = lookOf(finish);
    material.color.setRGB(...look.colour);
    material.roughness = look.roughness;
    material.metalness = look.metallic;
    material.emissive = new Color(...look.emissive);
  }
  shelf.set(key, material);
  return material;
}
