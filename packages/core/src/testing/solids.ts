import type { PolygonMesh } from '../mesh/index.ts';
import type { Outline } from '../outline/index.ts';
import {
  buildSection,
  flatWavefront,
  lift,
  sectionEnds,
  sectionLayers,
  type BuiltSection,
  type Corners,
  type SectionOptions,
  type UsualEdge,
} from '../solid/index.ts';
import { STEP } from './faces.ts';

export const PLAIN: UsualEdge = { kind: 'plain', inMm: 0, deepMm: 0, steps: 1 };

/** On the test grid. */
export const mm = (value: number): number => Math.round(value / STEP);

export interface Form extends Partial<Omit<SectionOptions, 'step' | 'depthMm'>> {
  depthMm: number;
  corners?: Corners;
}

export const sectionOf = ({ corners: _, ...form }: Form): BuiltSection =>
  buildSection({ front: PLAIN, back: PLAIN, ...form, step: STEP });

/** An outline's solid, on the test grid. `em` in grid steps. */
export function formed(outline: Outline, form: Form, em = mm(110)): PolygonMesh {
  const { section } = sectionOf(form);
  const { corners } = form;
  const options = { layers: sectionLayers(section), capInsets: sectionEnds(section), em, corners, seed: 1 };
  return lift(flatWavefront(outline, options), { section, step: STEP, uv: true });
}
