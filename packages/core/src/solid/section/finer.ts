import { SMALLEST_LAYER } from '../wavefront/index.ts';
import { withPassedLayers } from './onGrid.ts';
import { sectionCosines, sectionLayers, type Section, type SectionPart } from './section.ts';

export interface Finer {
  /** pieces longer than one and a half of this are cut into equal ones about as long, grid steps */
  longest?: number;
  /**
   * beside sharp bends of the section, front and back included, a vertex at this distance, so that rounding keeps the
   * bend; grid steps
   */
  support?: number;
}

const SHARP_COSINE = 0.8660254037844387;
/** Of the longest: pieces up to this stay whole. */
const WHOLE = 1.5;
/** A piece shorter than so many supports has no room for one. */
const ROOM = 2.5;

interface SectionPoint {
  inset: number;
  z: number;
}

/** The same section with more vertices. Nothing that was there moves. */
export function finerSection(section: Section, { longest, support }: Finer): Section {
  const supported = support ? withSupports(section, support) : section;
  return longest ? withPassedLayers(cut(supported, (a, b) => evenShares(a, b, longest))) : withPassedLayers(supported);
}

const lengthOf = (a: SectionPoint, b: SectionPoint): number =>
  Math.sqrt((b.inset - a.inset) * (b.inset - a.inset) + (b.z - a.z) * (b.z - a.z));

function evenShares(a: SectionPoint, b: SectionPoint, longest: number): number[] {
  const length = lengthOf(a, b);
  const parts = length > WHOLE * longest ? Math.ceil(length / longest) : 1;
  return Array.from({ length: parts - 1 }, (_, k) => (k + 1) / parts);
}

/** Every piece cut at shares of its length; cuts whose layer would lie too close to another's are left out. */
function cut(
  section: Section,
  sharesOf: (a: SectionPoint, b: SectionPoint, piece: number) => readonly number[],
): Section {
  const layers = [0, ...sectionLayers(section)];
  const out: Section = { inset: [section.inset[0]], z: [section.z[0]], part: [] };
  const push = (inset: number, z: number, part: SectionPart): void => {
    out.inset.push(inset);
    out.z.push(z);
    out.part.push(part);
  };
  for (let s = 0; s + 1 < section.inset.length; s++) {
    const a = { inset: section.inset[s], z: section.z[s] };
    const b = { inset: section.inset[s + 1], z: section.z[s + 1] };
    for (const share of sharesOf(a, b, s)) {
      const wanted = Math.round(a.inset + share * (b.inset - a.inset));
      const z = Math.round(a.z + share * (b.z - a.z));
      const near = layers.find((layer) => Math.abs(layer - wanted) < SMALLEST_LAYER);
      // both edges of a body are cut at the same layers
      const inset = a.inset === b.inset ? a.inset : (near ?? wanted);
      if (a.inset !== b.inset && (inset - a.inset) * (inset - b.inset) >= 0) continue;
      if (near === undefined) layers.push(inset);
      const last = out.inset.length - 1;
      if (out.inset[last] !== inset || out.z[last] !== z) push(inset, z, section.part[s]);
    }
    push(b.inset, b.z, section.part[s]);
  }
  return out;
}

function withSupports(section: Section, support: number): Section {
  const isSharp = sectionCosines(section).map((cosine) => cosine < SHARP_COSINE);
  const beside = cut(section, (a, b, piece) => {
    const length = lengthOf(a, b);
    if (length < ROOM * support) return [];
    const share = support / length;
    return [...(isSharp[piece] ? [share] : []), ...(isSharp[piece + 1] ? [1 - share] : [])];
  });
  const last = section.inset.length - 1;
  const inner = (at: number): number => section.inset[at] + Math.max(SMALLEST_LAYER, Math.round(support));
  const isFree = (inset: number): boolean =>
    [0, ...sectionLayers(beside)].every((layer) => layer === inset || Math.abs(layer - inset) >= SMALLEST_LAYER);
  const front = isSharp[0] && isFree(inner(0));
  const back =
    isSharp[last] &&
    isFree(inner(last)) &&
    (inner(last) === inner(0) || Math.abs(inner(last) - inner(0)) >= SMALLEST_LAYER);
  return {
    inset: [...(front ? [inner(0)] : []), ...beside.inset, ...(back ? [inner(last)] : [])],
    z: [...(front ? [section.z[0]] : []), ...beside.z, ...(back ? [section.z[last]] : [])],
    part: [...(front ? ['front' as const] : []), ...beside.part, ...(back ? ['back' as const] : [])],
  };
}
