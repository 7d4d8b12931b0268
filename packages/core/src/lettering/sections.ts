import type { Remark } from '../base/index.ts';
import { buildSection, type EdgeShape, type Section, type SideShape } from '../solid/index.ts';

/** What a plan is lifted to. */
export interface SolidShape {
  /** the whole depth, edges included, mm; 0 is a flat sheet */
  depthMm: number;
  front: EdgeShape;
  back: EdgeShape;
  side?: SideShape;
}

export interface Profile {
  depthMm: number;
  isSheet: boolean;
  section: Section;
}

/** One section for each solid that is asked for. */
export class Sections {
  readonly #step: number;
  readonly #known = new Map<string, Profile>();
  readonly remarks: Remark[] = [];

  constructor(step: number) {
    this.#step = step;
  }

  of(solid: SolidShape): Profile {
    const key = JSON.stringify(solid);
    const known = this.#known.get(key);
    if (known) return known;
    const { section, remarks } = buildSection({ ...solid, step: this.#step });
    const isSheet = solid.depthMm === 0;
    // a sheet has no edges that could be scaled or left out
    if (!isSheet) this.remarks.push(...remarks);
    const made = { depthMm: solid.depthMm, isSheet, section };
    this.#known.set(key, made);
    return made;
  }
}
