import {
  CubeTexture,
  DataTexture,
  DataUtils,
  HalfFloatType,
  LinearFilter,
  LinearMipmapLinearFilter,
  LinearSRGBColorSpace,
  RGBAFormat,
} from 'three';

type Vector = readonly [number, number, number];
export type Radiance = (x: number, y: number, z: number) => Vector;

/** One level: six faces of `size` × `size` colours, linear. */
interface Level {
  size: number;
  faces: Float32Array[];
}

const SIZE = 64;
/** The last level that is looked at; three.js takes roughness `1 - sqrt(1 - level / last)` for a level. */
const LAST = 3;
/** Rough levels are summed over a cube of this size, smooth ones over directions. */
const SUMMED_SIZE = 16;
const SAMPLES = 32;

/**
 * The light that falls in from all around, filtered for every roughness, as three.js looks it up. three.js’ own filter
 * takes seconds without a graphics card, since it knows nothing of the room but its pixels; a room of a few glowing
 * walls is quickly asked itself. Lobes as in Karis 2013, “Real shading in Unreal Engine 4”, with the view along the
 * normal; directions by Heitz 2018, “Sampling the GGX distribution of visible normals”.
 */
export function roomLight(radiance: Radiance): CubeTexture {
  const whole = levelOf(SIZE, averaged(radiance, 1 / SIZE));
  const coarse = levelOf(SUMMED_SIZE, meansOf(whole, SIZE / SUMMED_SIZE));
  const levels = [whole];
  for (let level = 1; level <= LAST; level++) {
    const alpha = (1 - Math.sqrt(1 - level / LAST)) ** 2;
    levels.push(levelOf(SIZE >> level, level < 2 ? sampled(radiance, alpha) : summed(coarse, alpha)));
  }
  // three.js counts the levels without the first one, so one that is never looked at follows
  levels.push(levelOf(SIZE >> (LAST + 1), () => [0, 0, 0]));
  const [first, ...rest] = levels.map(cubeOf);
  first.mipmaps = rest;
  first.isPMREMTexture = true;
  first.needsUpdate = true;
  return first;
}

function cubeOf({ size, faces }: Level): CubeTexture {
  const images = faces.map((face) => {
    const half = Uint16Array.from(face, (value) => DataUtils.toHalfFloat(Math.min(value, 65504)));
    return new DataTexture(half, size, size, RGBAFormat, HalfFloatType);
  });
  const cube = new CubeTexture(images);
  cube.format = RGBAFormat;
  cube.type = HalfFloatType;
  cube.colorSpace = LinearSRGBColorSpace;
  cube.magFilter = LinearFilter;
  cube.minFilter = LinearMipmapLinearFilter;
  cube.generateMipmaps = false;
  return cube;
}

/** The faces of a cube as graphics libraries order them: right, left, above, below, front, back. */
const TOWARDS: readonly ((u: number, v: number) => Vector)[] = [
  (u, v) => [1, -v, -u],
  (u, v) => [-1, -v, u],
  (u, v) => [u, 1, v],
  (u, v) => [u, -1, -v],
  (u, v) => [u, -v, 1],
  (u, v) => [-u, -v, -1],
];

/** Where a place of a face looks to. three.js mirrors cubes that it has not drawn itself, so x is turned round. */
function directionOf(face: number, u: number, v: number): Vector {
  const length = Math.hypot(1, u, v);
  const [x, y, z] = TOWARDS[face](u, v);
  return [-x / length, y / length, z / length];
}

/** The middle of a pixel on its face, -1 to 1 both ways. */
const middleOf = (pixel: number, size: number): [number, number] => [
  (2 * ((pixel % size) + 0.5)) / size - 1,
  (2 * (Math.floor(pixel / size) + 0.5)) / size - 1,
];

/** A place on a face of the cube, -1 to 1. */
interface FacePlace {
  face: number;
  u: number;
  v: number;
}

function levelOf(size: number, colour: (direction: Vector, place: FacePlace) => Vector): Level {
  const faces = Array.from({ length: 6 }, (_, face) => {
    const data = new Float32Array(4 * size * size).fill(1);
    for (let i = 0; i < size * size; i++) {
      const [u, v] = middleOf(i, size);
      data.set(colour(directionOf(face, u, v), { face, u, v }), 4 * i);
    }
    return data;
  });
  return { size, faces };
}

/** The mean of four places of a pixel, so that edges of panes are soft. */
function averaged(radiance: Radiance, half: number) {
  return (_: Vector, { face, u, v }: FacePlace): Vector => {
    const sum = [0, 0, 0];
    for (let i = 0; i < 4; i++) {
      const colour = radiance(...directionOf(face, u + ((i & 1) - 0.5) * half, v + ((i >> 1) - 0.5) * half));
      for (let k = 0; k < 3; k++) sum[k] += colour[k] / 4;
    }
    return [sum[0], sum[1], sum[2]];
  };
}

/** The mean of `across` × `across` pixels of a finer level. */
function meansOf({ size, faces }: Level, across: number) {
  return (_: Vector, { face, u, v }: FacePlace): Vector => {
    const sum = [0, 0, 0];
    const [x, y] = [u, v].map((at) => Math.round(((at + 1) * size - across) / 2));
    for (let i = 0; i < across * across; i++) {
      const pixel = 4 * (x + (i % across) + size * (y + Math.floor(i / across)));
      for (let k = 0; k < 3; k++) sum[k] += faces[face][pixel + k] / (across * across);
    }
    return [sum[0], sum[1], sum[2]];
  };
}

/** Over directions as a glossy surface reflects them. */
function sampled(radiance: Radiance, alpha: number) {
  const directions = Array.from({ length: SAMPLES }, (_, i) => {
    const share = (i + 0.5) / SAMPLES;
    const down = 1 - share + alpha * alpha * share;
    const along = (1 - share - alpha * alpha * share) / down;
    const aside = (2 * alpha * Math.sqrt(share * (1 - share))) / down;
    const turn = 2 * Math.PI * ((i * 0.618033988749895) % 1);
    return { along, a: aside * Math.cos(turn), b: aside * Math.sin(turn) };
  }).filter(({ along }) => along > 0);
  const weight = directions.reduce((sum, { along }) => sum + along, 0);
  return (normal: Vector): Vector => {
    const [x, y, z] = normal;
    const [ex, ey] = Math.abs(z) < 0.9 ? [y, -x] : [0, z];
    const ez = Math.abs(z) < 0.9 ? 0 : -y;
    const length = Math.hypot(ex, ey, ez);
    const [tx, ty, tz] = [ex / length, ey / length, ez / length];
    const [bx, by, bz] = [y * tz - z * ty, z * tx - x * tz, x * ty - y * tx];
    const sum = [0, 0, 0];
    for (const { along, a, b } of directions) {
      const colour = radiance(x * along + tx * a + bx * b, y * along + ty * a + by * b, z * along + tz * a + bz * b);
      for (let k = 0; k < 3; k++) sum[k] += (colour[k] * along) / weight;
    }
    return [sum[0], sum[1], sum[2]];
  };
}

/** Over all pixels of a small cube, each by how much a rough surface reflects of it. */
function summed({ size, faces }: Level, alpha: number) {
  const rows: number[] = [];
  faces.forEach((data, face) => {
    for (let i = 0; i < size * size; i++) {
      const [u, v] = middleOf(i, size);
      const angle = (1 + u * u + v * v) ** -1.5;
      rows.push(...directionOf(face, u, v), angle, data[4 * i], data[4 * i + 1], data[4 * i + 2]);
    }
  });
  const all = Float64Array.from(rows);
  return ([x, y, z]: Vector): Vector => {
    let [r, g, b, weight] = [0, 0, 0, 0];
    for (let i = 0; i < all.length; i += 7) {
      const along = x * all[i] + y * all[i + 1] + z * all[i + 2];
      if (along <= 0) continue;
      const down = ((1 + along) / 2) * (alpha * alpha - 1) + 1;
      const w = (along * all[i + 3]) / (down * down);
      weight += w;
      r += w * all[i + 4];
      g += w * all[i + 5];
      b += w * all[i + 6];
    }
    return [r / weight, g / weight, b / weight];
  };
}
