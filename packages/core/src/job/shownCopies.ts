import type { Remark } from '../base/index.ts';
import type { Transform, Vec3 } from '../math/index.ts';
import type { ShownCopies, ShownPiece } from './messages.ts';

const NUMBERS = 27;

export type PlacedPiece = Pick<ShownPiece, 'pieceId' | 'transform' | 'frame' | 'pivot' | 'remarks'>;

/** Collects copies. */
export class CopyRow {
  readonly #ids: string[] = [];
  readonly #like: string[] = [];
  readonly #numbers: number[] = [];
  readonly #remarks: Record<string, Remark[]> = {};

  add({ pieceId, transform, frame, pivot, remarks }: PlacedPiece, like: ShownPiece): void {
    this.#ids.push(pieceId);
    this.#like.push(like.pieceId);
    this.#numbers.push(...transform.rows, ...transform.move, ...frame.rows, ...frame.move, ...pivot);
    const isSame = remarks.length === like.remarks.length && remarks.every((one, i) => one === like.remarks[i]);
    if (!isSame) this.#remarks[pieceId] = remarks;
  }

  finish(): ShownCopies {
    const places = Float64Array.from(this.#numbers);
    return { ids: this.#ids, like: this.#like, places, remarks: this.#remarks };
  }
}

/** Pieces with all that is shown of each, the copies behind the others. */
export function allShown(pieces: readonly ShownPiece[], { ids, like, places, remarks }: ShownCopies): ShownPiece[] {
  const byId = new Map(pieces.map((piece) => [piece.pieceId, piece]));
  const at = (i: number): Transform => ({ rows: [...places.subarray(i, i + 9)], move: point(places, i + 9) });
  const copies = ids.flatMap((pieceId, k): ShownPiece[] => {
    const whole = byId.get(like[k]);
    const i = NUMBERS * k;
    const own = { transform: at(i), frame: at(i + 12), pivot: point(places, i + 24) };
    return whole ? [{ ...whole, pieceId, ...own, remarks: remarks[pieceId] ?? whole.remarks }] : [];
  });
  return copies.length === 0 ? [...pieces] : [...pieces, ...copies];
}

const point = (numbers: Float64Array, i: number): Vec3 => [numbers[i], numbers[i + 1], numbers[i + 2]];
