/** Which part of the solid a piece of its section makes; `front` and `back` only where they swell. */
export type SectionPart = 'front' | 'frontEdge' | 'wall' | 'backEdge' | 'back';

/**
 * The solid's profile: a polyline in (inset, z) from the front's rim round front edge, wall and back edge to the back's
 * rim. The skin of the solid is all points whose (distance to the outline, z) lies on it. Whole grid steps; insets
 * below zero lie outside the outline. Every piece lies between two neighbouring layers or keeps its inset; insets may
 * go back and forth.
 */
export interface Section {
  inset: number[];
  z: number[];
  /** part of the piece that begins at each vertex; one fewer than vertices */
  part: SectionPart[];
}

/** A point of the section in mm: how far in, how far below the body's front; `part`: of the piece that begins here. */
export interface SectionRow {
  inMm: number;
  downMm: number;
  part: SectionPart;
}

/** Layers that a section needs besides the outline itself, ascending; outward ones are below zero. */
export function sectionLayers(section: Section): number[] {
  return [...new Set(section.inset)].filter((inset) => inset !== 0).sort((a, b) => a - b);
}

/** How far a section reaches beyond the outline, grid steps. */
export const sectionReach = (section: Section): number => Math.max(0, 0 - Math.min(...section.inset));

/** Insets at which a section starts and ends. */
export const sectionEnds = ({ inset }: Section): [number, number] => [inset[0], inset[inset.length - 1]];

/** Cosine of the turn at each vertex of the section, the flat front and back counted as its continuation. */
export function sectionCosines(section: Section): number[] {
  const n = section.inset.length;
  const x = [section.inset[0] + 1, ...section.inset, section.inset[n - 1] + 1];
  const y = [section.z[0], ...section.z, section.z[n - 1]];
  return section.inset.map((_, i) => {
    const ux = x[i + 1] - x[i];
    const uy = y[i + 1] - y[i];
    const vx = x[i + 2] - x[i + 1];
    const vy = y[i + 2] - y[i + 1];
    return (ux * vx + uy * vy) / Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy));
  });
}
