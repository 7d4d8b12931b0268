/**
 * Own sine, cosine and arc tangent from + - * / and sqrt alone, so that every engine gives the same bits:
 * the built-in ones differ between Node and browsers. Angles in radians. Errors stay under 2 units in the last place
 * for |angle| < 1000, which no caller exceeds.
 * Source: polynomials of fdlibm (Sun Microsystems 1993), argument reduction after Cody and Waite 1980.
 */
export const PI = 3.141592653589793;
const PIO2_HI = 1.57079632673412561417;
const PIO2_LO = 6.07710050650619224932e-11;

function sinKernel(x: number): number {
  const z = x * x;
  const r =
    8.33333333332248946124e-3 +
    z *
      (-1.98412698298579493134e-4 +
        z * (2.75573137070700676789e-6 + z * (-2.50507602534068634195e-8 + z * 1.58969099521155010221e-10)));
  return x + z * x * (-1.66666666666666324348e-1 + z * r);
}

function cosKernel(x: number): number {
  const z = x * x;
  const r =
    4.16666666666666019037e-2 +
    z *
      (-1.38888888888741095749e-3 +
        z *
          (2.48015872894767294178e-5 +
            z * (-2.75573143513906633035e-7 + z * (2.0875723212981748279e-9 + z * -1.13596475577881948265e-11))));
  const half = 0.5 * z;
  const w = 1 - half;
  return w + (1 - w - half + z * z * r);
}

/** Quarter turns that are taken off; called for every point, so nothing is made that has to be cleared away. */
const quarters = (radians: number): number => Math.round(radians / 1.5707963267948966);
const restOf = (radians: number, n: number): number => radians - n * PIO2_HI - n * PIO2_LO;

export function sin(radians: number): number {
  const n = quarters(radians);
  const rest = restOf(radians, n);
  const kernel = (n & 1) === 0 ? sinKernel(rest) : cosKernel(rest);
  return (n & 2) === 0 ? kernel : -kernel;
}

export function cos(radians: number): number {
  const n = quarters(radians);
  const rest = restOf(radians, n);
  const kernel = (n & 1) === 0 ? cosKernel(rest) : sinKernel(rest);
  return ((n + 1) & 2) === 0 ? kernel : -kernel;
}

const ATAN_HI = [0.46364760900080609, 0.78539816339744828, 0.98279372324732905, 1.5707963267948966];
const ATAN_LO = [2.2698777452961687e-17, 3.061616997868383e-17, 1.3903311031230998e-17, 6.123233995736766e-17];
const ATAN_POLY = [
  3.33333333333329318027e-1, -1.99999999998764832476e-1, 1.42857142725034663711e-1, -1.1111110405462355788e-1,
  9.09088713343650656196e-2, -7.69187620504482999495e-2, 6.66107313738753120669e-2, -5.83357013379057348645e-2,
  4.97687799461593236017e-2, -3.6531572744216915527e-2, 1.62858201153657823623e-2,
];

function atanPositive(value: number): number {
  let x = value;
  let id = -1;
  if (x > 1e17) return ATAN_HI[3];
  if (x >= 2.4375) {
    id = 3;
    x = -1 / x;
  } else if (x >= 1.1875) {
    id = 2;
    x = (x - 1.5) / (1 + 1.5 * x);
  } else if (x >= 0.6875) {
    id = 1;
    x = (x - 1) / (x + 1);
  } else if (x >= 0.4375) {
    id = 0;
    x = (2 * x - 1) / (2 + x);
  }
  const z = x * x;
  let sum = 0;
  for (let i = ATAN_POLY.length - 1; i >= 0; i--) sum = ATAN_POLY[i] + z * sum;
  const s = z * sum;
  return id < 0 ? x - x * s : ATAN_HI[id] - (x * s - ATAN_LO[id] - x);
}

/** Angle of (x, y) in (-PI, PI]; 0 for the origin. */
export function atan2(y: number, x: number): number {
  if (x === 0 && y === 0) return 0;
  const ax = Math.abs(x);
  const ay = Math.abs(y);
  let angle = ax === 0 ? 1.5707963267948966 : atanPositive(ay / ax);
  if (x < 0) angle = PI - angle;
  return y < 0 ? -angle : angle;
}
