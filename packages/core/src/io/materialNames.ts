import type { Finish } from '../document/index.ts';
import { finishKey, finishName } from './looks.ts';

/** Names for the materials of one file: a finish keeps its own where it can; different finishes never share one. */
export class MaterialNames {
  readonly #byKey = new Map<string, { name: string; finish: Finish }>();

  of(finish: Finish): string {
    const key = finishKey(finish);
    const known = this.#byKey.get(key);
    if (known) return known.name;
    const wanted = finishName(finish).replace(/\s+/g, '_');
    const taken = new Set([...this.#byKey.values()].map((m) => m.name));
    let name = wanted;
    for (let i = 2; taken.has(name); i++) name = `${wanted}_${i}`;
    this.#byKey.set(key, { name, finish });
    return name;
  }

  all(): { name: string; finish: Finish }[] {
    return [...this.#byKey.values()];
  }
}
