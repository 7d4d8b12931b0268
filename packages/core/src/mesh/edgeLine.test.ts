import { usualForms, type FormShape } from '../document/index.ts';
import { formMesh } from '../form/index.ts';
import { cross, dot, minus, sizeOf, type Vec3 } from '../math/index.ts';
import { cubes, opened } from '../testing/meshes.ts';
import { asTriangles, EdgeWalk, turnedOutward, type EdgeLine, type PolygonMesh } from './index.ts';

const found = (mesh: PolygonMesh, at: Vec3): EdgeLine => new EdgeWalk(mesh).line(at) as EdgeLine;
const lengthOf = ({ places }: EdgeLine): number =>
  places.slice(1).reduce((sum, place, i) => sum + sizeOf(minus(place, places[i])), 0);
/** Where somebody on the line with this way up looks to, at its start. */
const looks = ({ places }: EdgeLine, up: Vec3): Vec3 => cross(minus(places[1], places[0]), up);

test('an edge of a cube ends at its corners, where it could go on two ways alike', () => {
  const line = found(cubes(2, [0, 0, 0]), [1, 2.1, 2]);
  expect(line.closed).toBe(false);
  expect(line.places.every(([, y, z]) => y === 2 && z === 2)).toBe(true);
  expect(lengthOf(line)).toBe(2);
  expect(line.up).toEqual([0, expect.closeTo(Math.SQRT1_2), expect.closeTo(Math.SQRT1_2)]);
});

test('the border of a hole goes round it, corners and all', () => {
  const mesh = opened(cubes(2, [0, 0, 0]));
  const { places, closed } = found(mesh, places0(mesh));
  expect([places.length, closed]).toEqual([4, true]);
});

/** Just beside a vertex of the face that is left out. */
function places0({ faceVertices, positions }: PolygonMesh): Vec3 {
  const used = new Map<number, number>();
  for (const v of faceVertices) used.set(v, (used.get(v) ?? 0) + 1);
  const rim = [...used].filter(([, count]) => count === 2).map(([v]) => v);
  const at = (v: number): Vec3 => [positions[3 * v], positions[3 * v + 1], positions[3 * v + 2]];
  return at(rim[0]).map((x, k) => (x + at(rim[1])[k]) / 2) as Vec3;
}

const { jug } = usualForms();

test('loops of a turned body run level round it, and start where they were asked for', () => {
  const mesh = formMesh(jug, 0.1);
  const level = found(mesh, [0, 80, 500]);
  expect(level.closed).toBe(true);
  const [[x, y, z]] = level.places;
  for (const place of level.places) {
    expect(place[1]).toBeCloseTo(y, 9);
    expect(Math.hypot(place[0], place[2])).toBeCloseTo(Math.hypot(x, z), 6);
  }
  expect(z).toBe(Math.max(...level.places.map((place) => place[2])));
});

test('walked outward, letters on a loop look away from its middle; reversed to the middle', () => {
  const line = found(formMesh(jug, 0.1), [0, 80, 500]);
  const up: Vec3 = [0, 1, 0];
  for (const isReversed of [false, true]) {
    const turned = turnedOutward(line, up, isReversed);
    expect(dot(looks(turned, up), turned.places[0]) > 0).toBe(!isReversed);
    expect([...turned.places].sort()).toEqual([...line.places].sort());
    expect(turned.places[0]).toEqual(line.places[0]);
  }
});

test('diagonals of triangles are no lines: a ball of triangles alone has none', () => {
  const ball: FormShape = usualForms().ball;
  expect(new EdgeWalk(asTriangles(formMesh(ball, 0.1))).line([0, 0, 500])).toBeUndefined();
});
