import { deepEqual } from 'fast-equals';
import { spelled, type Remark } from '../base/index.ts';
import {
  buildSection,
  finerSection,
  sectionReach,
  type Finer,
  type EdgeShape,
  type Section,
  type SideShape,
  type Swell,
} from '../solid/index.ts';

/** What a plan is lifted to. */
export interface SolidShape {
  /** the body's depth, edges included, mm; 0 is a flat sheet */
  depthMm: number;
  front: EdgeShape;
  back: EdgeShape;
  side?: SideShape;
  /** how far the section lies further in (below zero: out) than drawn, mm */
  shiftMm?: number;
  /** how front and back rise towards their middle, on top of the depth */
  swell?: { frontMm: number; backMm: number } & Pick<Swell, 'curve' | 'steps'>;
  /** slopes are meant to meet in a ridge: it needs no telling */
  isRidged?: boolean;
}

export interface BuiltProfile {
  /** swelling included */
  depthMm: number;
  isSheet: boolean;
  section: Section;
}

/** One section for each solid that is asked for. */
export class Sections {
  readonly #step: number;
  readonly #known = new Map<string, BuiltProfile>();
  readonly #outward = new Map<SolidShape, number>();
  readonly #remarks: Remark[] = [];

  readonly #finer: Finer;
  /** a thousand letters in a row ask for the same */
  #last: { solid: SolidShape; reachMm: number; longest: number | undefined; made: BuiltProfile } | undefined;

  /** `finer`: what faces ask for besides, grid steps */
  constructor(step: number, finer: Finer = {}) {
    this.#step = step;
    this.#finer = finer;
  }

  get remarks(): readonly Remark[] {
    return this.#remarks;
  }

  /** How far a solid reaches beyond its letters' outlines, grid steps. */
  outward(solid: SolidShape): number {
    const known = this.#outward.get(solid);
    if (known !== undefined) return known;
    const reach = sectionReach(this.#built({ ...solid, swell: undefined }, 0).section);
    this.#outward.set(solid, reach);
    return reach;
  }

  /**
   * `reachMm`: the greatest distance from the outline inside the lettering; only for what swells. `longest`: edge along
   * the section, grid steps.
   */
  of(solid: SolidShape, reachMm: number, longest = this.#finer.longest): BuiltProfile {
    const last = this.#last;
    if (last?.solid === solid && last.reachMm === reachMm && last.longest === longest) return last.made;
    const made = this.#of(solid, reachMm, longest);
    this.#last = { solid, reachMm, longest, made };
    return made;
  }

  #of(solid: SolidShape, reachMm: number, longest: number | undefined): BuiltProfile {
    const key = spelled([solid, reachMm, longest]);
    const known = this.#known.get(key);
    if (known) return known;
    const built = this.#built(solid, reachMm);
    const { remarks } = built;
    const isSheet = solid.depthMm === 0;
    const section = isSheet ? built.section : finerSection(built.section, { ...this.#finer, longest });
    // a sheet has no edges that could be scaled or left out
    if (!isSheet) this.#tell(remarks);
    const made = { depthMm: isSheet ? 0 : section.z[0] * this.#step, isSheet, section };
    this.#known.set(key, made);
    return made;
  }

  #tell(remarks: readonly Remark[]): void {
    this.#remarks.push(...remarks.filter((one) => !this.#remarks.some((told) => deepEqual(told, one))));
  }

  #built(solid: SolidShape, reachMm: number): ReturnType<typeof buildSection> {
    const { swell, ...rest } = solid;
    const swelling = (mm: number | undefined): Swell | undefined =>
      swell && mm ? { mm, reachMm, curve: swell.curve, steps: swell.steps } : undefined;
    return buildSection({
      ...rest,
      frontSwell: swelling(swell?.frontMm),
      backSwell: swelling(swell?.backMm),
      step: this.#step,
    });
  }
}
