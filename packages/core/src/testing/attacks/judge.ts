import type { LoadUnpacker } from '../../base/index.ts';
import { readBack, unpackProject, type MeshFormat } from '../../io/index.ts';
import type { PolygonMesh } from '../../mesh/index.ts';
import { describeFont, type Kernels } from '../../text/index.ts';
import { readAny } from './readAny.ts';
import type { Sample } from './samples.ts';
import { STRICT, type Loops } from './strictReaders.ts';

/** What became of a damaged file. `wrong`: taken, though a strict second reader finds other faces in it, or none. */
export type Verdict = 'refused' | 'read' | 'wrong';

export interface Judged {
  verdict: Verdict;
  /** code and reason of a refusal */
  why: string;
  /** places and corners that were made of it: work, counted */
  size: number;
}

const MESHES: readonly string[] = ['obj', 'stl', 'ply', 'glb'];

/**
 * A file of a kind through the reader of its kind, and mesh files through a second one as well. Whatever throws is a
 * fault of ours.
 */
export async function judge(
  { format }: Pick<Sample, 'format'>,
  bytes: Uint8Array,
  kernels: Kernels & { loadUnpacker?: LoadUnpacker },
): Promise<Judged> {
  if (format === 'fictile') {
    const read = unpackProject(bytes);
    return read.ok ? { verdict: 'read', why: '', size: 1 } : refused(read.error);
  }
  if (format === 'font') {
    const read = describeFont(kernels, { bytes, hash: '', fallback: 'Kiln' });
    return read.ok ? { verdict: 'read', why: '', size: 1 } : refused(read.error);
  }
  const read = await readAny(format, bytes, kernels.loadUnpacker);
  if (!read.ok) return refused(read.error);
  if (!MESHES.includes(format)) return { verdict: 'read', why: '', size: read.size };
  const raw = await readBack(bytes, format as MeshFormat, kernels.loadUnpacker);
  const strict = STRICT[format as MeshFormat](bytes);
  const isSame = raw.ok && strict !== undefined && sameFaces(loopsOf(raw.value.mesh), strict);
  return { verdict: isSame ? 'read' : 'wrong', why: strict ? 'other faces' : 'no such file', size: read.size };
}

const refused = (error: { code: string; params: object }): Judged => ({
  verdict: 'refused',
  why: `${error.code} ${'why' in error.params ? String(error.params.why) : ''}`,
  size: 0,
});

function loopsOf({ positions, faceStart, faceVertices }: PolygonMesh): Loops {
  return Array.from({ length: faceStart.length - 1 }, (_, f) =>
    Array.from(faceVertices.subarray(faceStart[f], faceStart[f + 1]), (v) => [...positions.subarray(3 * v, 3 * v + 3)]),
  );
}

/**
 * Faces in their order, without corners that repeat and what is left of fewer than three; places within the rounding
 * of a product.
 */
function sameFaces(ours: Loops, theirs: Loops): boolean {
  const [a, b] = [ours, theirs].map((loops) => loops.map(simple).filter((loop) => loop.length >= 3));
  const largest = theirs.flat(2).reduce((most, v) => Math.max(most, Math.abs(v)), 0);
  const isNear = (p: number, q: number): boolean => Math.abs(p - q) <= 1e-9 * largest;
  return (
    a.length === b.length &&
    a.every(
      (loop, i) =>
        loop.length === b[i].length && loop.every((p, k) => p.every((value, axis) => isNear(value, b[i][k][axis]))),
    )
  );
}

const simple = (loop: Loops[number]): Loops[number] =>
  loop.filter((p, i) => p.some((value, axis) => value !== loop[(i + 1) % loop.length][axis]));
