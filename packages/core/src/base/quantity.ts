import { MM_PER } from './units.ts';

/** What a bare number in a field means, and which units may stand behind numbers. */
export type QuantityKind = 'length' | 'angle' | 'plain';

/** Each in the kind's own unit: millimetres, degrees. */
const UNITS: Readonly<Record<QuantityKind, Readonly<Record<string, number>>>> = {
  length: { ...MM_PER, '"': MM_PER.in, pt: 25.4 / 72 },
  angle: { '°': 1, deg: 1, turn: 360 },
  plain: { '%': 1, '‰': 1 },
};

/**
 * A number as people type it: "18", "2in", "18/2", "3 * (4mm + 1 cm)", "-5,5". A decimal comma is taken where no point
 * is. Undefined when it is none, or not finite.
 */
export function parseQuantity(text: string, kind: QuantityKind): number | undefined {
  const reader = new Reader(text.includes('.') ? text : text.replace(/(\d),(\d)/g, '$1.$2'), UNITS[kind]);
  const value = reader.sum();
  return value !== undefined && reader.atEnd && Number.isFinite(value) ? value : undefined;
}

const NUMBER = /^(?:\d+\.?\d*|\.\d+)/;
const UNIT = /^(?:[a-z]+|["°%‰])/i;

/** Sums of products of signed numbers and brackets, read from left to right. */
class Reader {
  #rest: string;
  readonly #units: Readonly<Record<string, number>>;

  constructor(text: string, units: Readonly<Record<string, number>>) {
    this.#rest = text.trim();
    this.#units = units;
  }

  get atEnd(): boolean {
    return this.#rest === '';
  }

  sum(): number | undefined {
    let value = this.#product();
    for (let sign = this.#take(/^[+−-]/); sign !== undefined && value !== undefined; sign = this.#take(/^[+−-]/)) {
      const next = this.#product();
      value = next === undefined ? undefined : sign === '+' ? value + next : value - next;
    }
    return value;
  }

  #product(): number | undefined {
    let value = this.#signed();
    for (let sign = this.#take(/^[*×/]/); sign !== undefined && value !== undefined; sign = this.#take(/^[*×/]/)) {
      const next = this.#signed();
      value = next === undefined ? undefined : sign === '/' ? value / next : value * next;
    }
    return value;
  }

  #signed(): number | undefined {
    const sign = this.#take(/^[+−-]/);
    const value = sign === undefined ? this.#one() : this.#signed();
    return value === undefined || sign === undefined || sign === '+' ? value : -value;
  }

  #one(): number | undefined {
    if (this.#take(/^\(/) !== undefined) {
      const inside = this.sum();
      return this.#take(/^\)/) === undefined ? undefined : inside;
    }
    const number = this.#take(NUMBER);
    if (number === undefined) return undefined;
    const unit = this.#take(UNIT);
    if (unit === undefined) return Number(number);
    const factor = this.#units[unit.toLowerCase()];
    return factor === undefined ? undefined : Number(number) * factor;
  }

  #take(pattern: RegExp): string | undefined {
    const found = pattern.exec(this.#rest)?.[0];
    if (found === undefined) return undefined;
    this.#rest = this.#rest.slice(found.length).trimStart();
    return found;
  }
}
