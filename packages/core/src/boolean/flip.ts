import { next, type TouchedSurface } from './touched.ts';

/** An edge is looked at so often at most, on average. */
const ROUNDS = 20;
/** By so much the smallest angle's sine has to grow: less would go to and fro by rounding. */
const GAIN = 1e-9;

/**
 * Flips edges inside faces as long as the smaller of the smallest angles grows (as Lawson 1977 did with circles), from
 * those of some triangles on. Nothing moves.
 */
export function flipEdges(surface: TouchedSurface, from: readonly number[]): void {
  const { cut } = surface;
  const waiting = from.flatMap((t) => [3 * t, 3 * t + 1, 3 * t + 2]);
  let most = ROUNDS * waiting.length;
  while (waiting.length > 0 && most-- > 0) {
    const corner = waiting.pop() as number;
    const t = Math.floor(corner / 3);
    if (surface.isGone(t)) continue;
    const a = cut.vertices[corner];
    const b = cut.vertices[next(corner)];
    const back = surface.edge(b, a);
    if (back === undefined) continue;
    const u = Math.floor(back / 3);
    if (!surface.isOneFace(t, u)) continue;
    const c = cut.vertices[next(next(corner))];
    const d = cut.vertices[next(next(back))];
    const normal = surface.normalOf(t);
    if (surface.facing(normal, c, a, d) <= 0 || surface.facing(normal, d, b, c) <= 0) continue;
    const now = Math.min(surface.quality(a, b, c), surface.quality(b, a, d));
    if (Math.min(surface.quality(c, a, d), surface.quality(d, b, c)) <= now + GAIN) continue;
    if (c === d || surface.hasEdge(c, d)) continue;
    const number = (at: number): number => cut.numbers[at];
    const [na, nb, nc, nd] = [
      number(corner),
      number(next(corner)),
      number(next(next(corner))),
      number(next(next(back))),
    ];
    surface.set(t, [
      [c, nc],
      [a, na],
      [d, nd],
    ]);
    surface.set(u, [
      [d, nd],
      [b, nb],
      [c, nc],
    ]);
    waiting.push(3 * t, 3 * t + 1, 3 * u, 3 * u + 1);
  }
}
