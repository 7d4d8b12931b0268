import type { Pen } from '../outline/index.ts';

/** Path data of M, L, Q, C and Z alone, absolute (the form that documents hold) -> a pen. */
export function drawPath(path: string, pen: Pen): void {
  const words = path.match(/[MLQCZ]|-?[0-9.]+(?:e[-+]?[0-9]+)?/g) ?? [];
  let i = 0;
  const next = (): number => Number(words[i++]);
  while (i < words.length) {
    switch (words[i++]) {
      case 'M':
        pen.moveTo(next(), next());
        break;
      case 'L':
        pen.lineTo(next(), next());
        break;
      case 'Q':
        pen.quadraticTo(next(), next(), next(), next());
        break;
      case 'C':
        pen.cubicTo(next(), next(), next(), next(), next(), next());
        break;
      default:
        pen.close();
    }
  }
}

/** Writes such path data. `digits`: significant ones. */
export class PathWriter implements Pen {
  #text = '';
  #pieces = 0;
  #reach = 0;

  moveTo(x: number, y: number): void {
    this.#put('M', x, y);
  }

  lineTo(x: number, y: number): void {
    this.#put('L', x, y);
  }

  quadraticTo(cx: number, cy: number, x: number, y: number): void {
    this.#put('Q', cx, cy, x, y);
  }

  cubicTo(ax: number, ay: number, bx: number, by: number, x: number, y: number): void {
    this.#put('C', ax, ay, bx, by, x, y);
  }

  close(): void {
    this.#put('Z');
  }

  /** how many commands were written */
  get pieces(): number {
    return this.#pieces;
  }

  /** largest number in it */
  get reach(): number {
    return this.#reach;
  }

  get text(): string {
    return this.#text;
  }

  #put(command: string, ...numbers: number[]): void {
    for (const number of numbers) this.#reach = Math.max(this.#reach, Math.abs(number));
    this.#text += command + numbers.map((v) => String(Number(v.toPrecision(12)))).join(' ');
    this.#pieces++;
  }
}
