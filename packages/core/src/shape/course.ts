import type { CoursePoint } from '../fields/index.ts';

type Course = readonly CoursePoint[];

/**
 * The value of a course at a share of the way: through its points without overshooting, level beyond them. Monotone
 * cubic, Fritsch and Carlson 1980 with the slopes of Fritsch and Butland 1984.
 */
export function courseOf(course: Course): (share: number) => number {
  const points = [...course].sort((a, b) => a.at - b.at);
  const last = points.length - 1;
  const slopes = points.map((_, i) => slopeAt(points, i));
  if (points.every(({ value }) => value === points[0].value)) return () => points[0].value;
  return (share) => {
    if (share <= points[0].at) return points[0].value;
    if (share >= points[last].at) return points[last].value;
    let i = 0;
    while (points[i + 1].at <= share) i++;
    const [a, b] = [points[i], points[i + 1]];
    const wide = b.at - a.at;
    const t = (share - a.at) / wide;
    const rest = 1 - t;
    const bent = wide * t * rest * (slopes[i] * rest - slopes[i + 1] * t);
    return a.value * (1 + 2 * t) * rest * rest + b.value * t * t * (3 - 2 * t) + bent;
  };
}

function slopeAt(points: Course, i: number): number {
  if (i === 0 || i === points.length - 1) return 0;
  const left = secant(points[i - 1], points[i]);
  const right = secant(points[i], points[i + 1]);
  return left * right <= 0 ? 0 : (2 * left * right) / (left + right);
}

const secant = (a: Course[number], b: Course[number]): number =>
  b.at > a.at ? (b.value - a.value) / (b.at - a.at) : 0;
