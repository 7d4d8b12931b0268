import type { WaveVertex } from './waveVertex.ts';

/** A collapse of the segment from `vertex` to `other`, or (other undefined) a hit of a reflex vertex on `edge`. */
export interface WaveEvent {
  time: number;
  vertex: WaveVertex;
  other: WaveVertex | undefined;
  edge: number;
  /** the vertex's version when the hit was foreseen; an older one is stale */
  version: number;
  /** order of making, so that equal times are worked in the same order everywhere */
  serial: number;
}

/** A binary heap by time, then by order of making. */
export class EventQueue {
  readonly #heap: WaveEvent[] = [];
  #serial = 0;

  get nextTime(): number {
    return this.#heap.length > 0 ? this.#heap[0].time : Infinity;
  }

  push(foreseen: Omit<WaveEvent, 'serial'>): void {
    const event: WaveEvent = { ...foreseen, serial: this.#serial++ };
    const heap = this.#heap;
    let i = heap.length;
    heap.push(event);
    while (i > 0) {
      const parent = (i - 1) >> 1;
      if (!isBefore(event, heap[parent])) break;
      heap[i] = heap[parent];
      i = parent;
    }
    heap[i] = event;
  }

  pop(): WaveEvent | undefined {
    const heap = this.#heap;
    const top = heap[0];
    const last = heap.pop();
    if (last === undefined || heap.length === 0) return top;
    let i = 0;
    for (;;) {
      let child = 2 * i + 1;
      if (child >= heap.length) break;
      if (child + 1 < heap.length && isBefore(heap[child + 1], heap[child])) child++;
      if (!isBefore(heap[child], last)) break;
      heap[i] = heap[child];
      i = child;
    }
    heap[i] = last;
    return top;
  }
}

const isBefore = (a: WaveEvent, b: WaveEvent): boolean => a.time < b.time || (a.time === b.time && a.serial < b.serial);
