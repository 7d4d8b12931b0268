import { remark, type Remark } from '../base/index.ts';
import { eulerOf, sectionLayers, type FlatWavefront, type Section } from '../solid/index.ts';
import type { Layout } from '../text/index.ts';
import type { Cluster } from './clusters.ts';

/** The largest inset of edges and walls: a front that swells is meant to end in a ridge. */
function edgesEnd({ inset, part }: Section): number {
  const swells = (piece: number): boolean => part[piece] === 'front' || part[piece] === 'back';
  const last = part.length - 1;
  return Math.max(...inset.filter((_, i) => !swells(Math.min(i, last)) || !swells(Math.max(0, i - 1))));
}

/** Of the tolerance: what nobody sees. */
const UNSEEN = 0.01;

/** Collects what is to be told of the ladder's rungs and of ridges, by letter. */
export class RungRemarks {
  readonly #layout: Layout;
  readonly #step: number;
  readonly #least: number;
  readonly #letters = new Map<string, Set<string>>();
  readonly #values = new Map<string, { askedMm: number; takenMm: number }>();

  /** `step`, `toleranceMm`: mm; what is moved by less than a hundredth of the tolerance is told to nobody */
  constructor(layout: Layout, { step, toleranceMm }: { step: number; toleranceMm: number }) {
    this.#layout = layout;
    this.#step = step;
    this.#least = UNSEEN * toleranceMm;
  }

  add(
    cluster: Cluster,
    flat: FlatWavefront,
    section: Section,
    { isRidged = false }: { isRidged?: boolean } = {},
  ): void {
    const asked = Math.max(...section.inset) * this.#step;
    const { rung } = flat;
    if (rung.kind === 'jittered' || rung.kind === 'opened') {
      const takenMm = rung.byGridSteps * this.#step;
      if (takenMm >= this.#least) this.#note(rung.kind, cluster, { askedMm: 0, takenMm });
    }
    if (rung.kind === 'narrowed') this.#note(rung.kind, cluster, { askedMm: asked, takenMm: asked * rung.share });
    if (rung.kind === 'given-up') this.#note(rung.kind, cluster, { askedMm: asked, takenMm: 0 });
    if (rung.kind === 'given-up') return;
    const ranks = [0, ...sectionLayers(section)].sort((a, b) => a - b); // the plan's own layers may lie a hair aside
    const ringAt = (inset: number): number => flat.partition.rings[ranks.indexOf(inset)]?.from.length ?? 0;
    const outermost = Math.min(...section.inset);
    const euler = (inset: number): number => eulerOf(flat.partition, ranks.indexOf(inset));
    if (outermost > 0 && ringAt(outermost) === 0) this.#note('vanishes', cluster, { askedMm: asked, takenMm: 0 });
    else if (outermost > 0 && euler(outermost) !== euler(0))
      this.#note('breaks', cluster, { askedMm: asked, takenMm: 0 });
    else if (!isRidged && ringAt(edgesEnd(section)) === 0)
      this.#note('meets', cluster, { askedMm: asked, takenMm: asked });
  }

  #note(kind: string, cluster: Cluster, values: { askedMm: number; takenMm: number }): void {
    const names = this.#letters.get(kind) ?? new Set<string>();
    for (const m of cluster.members) names.add(this.#layout.letters[m.letter].text);
    this.#letters.set(kind, names);
    const before = this.#values.get(kind);
    if (!before || values.takenMm > before.takenMm) this.#values.set(kind, values);
  }

  remarks(): Remark[] {
    return [...this.#letters].map(([kind, names]): Remark => {
      const letters = [...names].slice(0, 40).join(' ');
      const { askedMm, takenMm } = this.#values.get(kind) ?? { askedMm: 0, takenMm: 0 };
      if (kind === 'jittered') return remark('EDGE_JITTERED', { letters, byMm: takenMm });
      if (kind === 'opened') return remark('EDGE_OPENED', { letters, byMm: takenMm });
      if (kind === 'narrowed') return remark('EDGE_NARROWED', { letters, askedMm, takenMm });
      if (kind === 'meets') return remark('EDGE_MEETS', { letters });
      if (kind === 'breaks') return remark('LIGHTER_BREAKS', { letters });
      if (kind === 'vanishes') return remark('LIGHTER_VANISHES', { letters });
      return remark('LETTER_LEFT_OUT', { letters });
    });
  }
}
