import { seededRandom } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { adjacency, cornerNormals, type PolygonMesh } from '../mesh/index.ts';
import type { Outline } from '../outline/index.ts';
import { outlineOf, shippedFaces, STEP } from '../testing/faces.ts';
import { outlineOfRings, rectangle } from '../testing/rings.ts';
import { formed, mm, PLAIN } from '../testing/solids.ts';
import { expectSound } from '../testing/sound.ts';
import {
  buildSection,
  flatWavefront,
  liftSheet,
  sectionLayers,
  USUAL_KINDS,
  USUAL_SIDE_KINDS,
  type SideShape,
  type UsualEdge,
  type UsualKind,
  type UsualSide,
} from './index.ts';
import { sectionIsSimple } from './section/index.ts';

const edge = (kind: UsualEdge['kind'], inMm: number, deepMm: number, steps = 1): UsualEdge => ({
  kind,
  inMm,
  deepMm,
  steps,
});
const solidOf = (
  outline: Outline,
  depthMm: number,
  { front, back, em = mm(110) }: { front: UsualEdge; back: UsualEdge; em?: number },
): PolygonMesh => formed(outline, { depthMm, front, back }, em);

describe('section', () => {
  test('runs from the front’s rim to the back’s, on the grid', () => {
    const { section, remarks } = buildSection({
      depthMm: 18,
      front: edge('round', 2, 3, 4),
      back: edge('chamfer', 1, 1),
      step: STEP,
    });
    expect(section.inset.map((v) => v * STEP)[0]).toBe(2);
    expect(section.z.map((v) => v * STEP)[0]).toBe(18);
    expect([section.inset[section.inset.length - 1] * STEP, section.z[section.z.length - 1]]).toEqual([1, 0]);
    expect(section.inset.every(Number.isInteger) && section.z.every(Number.isInteger)).toBe(true);
    expect(section.part).toHaveLength(section.inset.length - 1);
    expect(remarks).toEqual([]);
  });

  test('edges deeper than the body are scaled and told', () => {
    const { section, remarks } = buildSection({
      depthMm: 4,
      front: edge('chamfer', 1, 6),
      back: edge('chamfer', 1, 2),
      step: STEP,
    });
    expect(remarks).toEqual([{ code: 'EDGES_SCALED', params: { askedMm: 8, takenMm: 4 } }]);
    expect(section.z.map((v) => v * STEP)).toEqual([4, 1, 0]);
  });

  test('an edge too fine for the grid is left plain and told', () => {
    const { section, remarks } = buildSection({
      depthMm: 4,
      front: edge('round', 0.00002, 30),
      back: PLAIN,
      step: STEP,
    });
    expect(section).toEqual({ inset: [0, 0], z: [mm(4), 0], part: ['wall'] });
    expect(remarks.map((r) => r.code)).toEqual(['EDGES_SCALED', 'EDGE_TOO_FINE']);
  });

  test('is simple, with layers as far apart as the plan needs, for any two edges on any grid', () => {
    const random = seededRandom(7);
    const length = (): number => 10 ** (random() * 8 - 5);
    const anyEdge = (): UsualEdge =>
      edge(USUAL_KINDS[Math.floor(random() * USUAL_KINDS.length)], length(), length(), 1 + Math.floor(random() * 64));
    for (let run = 0; run < 500; run++) {
      const front = anyEdge();
      const close = { ...front, inMm: front.inMm + random() * 10 * STEP };
      const step = 2 ** -(8 + 2 * Math.floor(random() * 5));
      const side: SideShape = {
        kind: USUAL_SIDE_KINDS[Math.floor(random() * USUAL_SIDE_KINDS.length)],
        amountMm: length(),
        steps: 1 + Math.floor(random() * 16),
        divisions: 1 + Math.floor(random() * 5),
      };
      const back = random() < 0.5 ? anyEdge() : close;
      const { section } = buildSection({ depthMm: length(), front, back, side, step });
      const layers = sectionLayers(section);
      const gaps = layers.map((inset, i) => inset - (i === 0 ? 0 : layers[i - 1]));
      expect(Math.min(...gaps, 4)).toBe(4);
      expect(sectionIsSimple(section)).toBe(true);
    }
  });
});

test.each([
  ['crosses itself', [4, 0, 0, 4], [2, 9, 0, 7]],
  ['comes back on its way', [0, 0, 0], [9, 0, 4]],
  ['stands still', [0, 0, 0], [9, 9, 0]],
  ['touches its front', [4, 0, 8, 0], [9, 5, 9, 0]],
])('a section that %s is not simple', (_, inset, z) => {
  expect(sectionIsSimple({ inset, z })).toBe(false);
});

describe('solids of a box', () => {
  const box = outlineOfRings(rectangle(0, 0, mm(40), mm(20)));

  test('without edges: six faces and the exact volume', () => {
    const mesh = solidOf(box, 10, { front: PLAIN, back: PLAIN });
    expectSound(mesh);
    expect(mesh.faceStart).toHaveLength(7);
    expect(checkMesh(mesh).volumeMm3).toBeCloseTo(40 * 20 * 10, 9);
  });

  test('chamfered all round: the volume of the formula', () => {
    const [w, d] = [2, 3];
    const mesh = solidOf(box, 10, { front: edge('chamfer', w, d), back: edge('chamfer', w, d) });
    expectSound(mesh);
    const top = (40 - 2 * w) * (20 - 2 * w);
    const prismatoid = (d / 6) * (40 * 20 + top + 4 * (40 - w) * (20 - w));
    expect(checkMesh(mesh).volumeMm3).toBeCloseTo(40 * 20 * (10 - 2 * d) + 2 * prismatoid, 6);
  });

  test('wider than half: a roof with a ridge, no front left', () => {
    const mesh = solidOf(box, 10, { front: edge('chamfer', 50, 4), back: PLAIN });
    expectSound(mesh);
    expect(mesh.regions.some((r) => r.part === 'front')).toBe(false);
    // inset 10 of 50 is reached: the ridge stands at 6 + 4 * 10 / 50
    expect(checkMesh(mesh).sizeMm[2]).toBeCloseTo(6.8, 3);
  });

  test('edges that meet at the outline leave no wall', () => {
    const mesh = solidOf(box, 6, { front: edge('chamfer', 2, 3), back: edge('chamfer', 2, 3) });
    expectSound(mesh);
    expect(mesh.regions.map((r) => r.part).sort()).toEqual(['back', 'backEdge', 'front', 'frontEdge']);
  });

  test('different edges front and back share the plan', () => {
    expectSound(solidOf(box, 12, { front: edge('round', 3, 3, 5), back: edge('chamfer', 5, 2) }));
  });

  test('depth 0 is an open sheet facing up', () => {
    const flat = flatWavefront(box, { layers: [], capInsets: [0], em: mm(110), seed: 1 });
    const sheet = liftSheet(flat, STEP);
    expect([sheet.faceStart.length, checkMesh(sheet).closed]).toEqual([2, false]);
    expect(Array.from(cornerNormals(sheet)).slice(0, 3)).toEqual([0, 0, 1]);
  });
});

describe('edges of every kind and sides of every form', () => {
  const [wide, high] = [40, 20];
  const box = outlineOfRings(rectangle(0, 0, mm(wide), mm(high)));
  /** Of a box inset by `inset` mm. */
  const area = (inset: number): number => (wide - 2 * inset) * (high - 2 * inset);
  /** Depth by depth, as exactly as a thousand slices are. */
  const volume = (depth: number, insetAt: (down: number) => number): number => {
    let sum = 0;
    for (let i = 0; i < 2000; i++) sum += (area(insetAt(((i + 0.5) / 2000) * depth)) * depth) / 2000;
    return sum;
  };
  const quarter = (t: number): number => Math.sqrt(Math.max(0, 1 - t * t));
  const D = 10;
  const [W, E] = [3, 4];
  const edges: [UsualKind, (down: number) => number][] = [
    ['chamfer', (down) => W * (1 - down / E)],
    ['round', (down) => W * (1 - quarter(1 - down / E))],
    ['cove', (down) => W * quarter(down / E)],
    ['step', (down) => W * (1 - Math.floor((32 * down) / E) / 32)],
    [
      'ogee',
      (down) => (down < E / 2 ? (W / 2) * (2 - quarter(1 - (2 * down) / E)) : (W / 2) * quarter((2 * down) / E - 1)),
    ],
    ['bead', (down) => W * (1 - quarter((2 * down) / E - 1))],
  ];

  test.each(edges)('%s has the volume of its profile', (kind, inset) => {
    const mesh = formed(box, { depthMm: D, front: edge(kind, W, E, 32) });
    expectSound(mesh);
    const wanted = volume(D, (down) => (down < E ? inset(down) : 0));
    expect(Math.abs(checkMesh(mesh).volumeMm3 / wanted - 1)).toBeLessThan(2e-3);
  });

  const A = 3;
  const sides: [UsualSide['kind'], (down: number) => number][] = [
    ['straight', () => 0],
    ['v', (down) => A * (1 - Math.abs((2 * down) / D - 1))],
    ['waist', (down) => A * Math.sin((Math.PI * down) / D)],
    ['bulge', (down) => A * (1 - Math.sin((Math.PI * down) / D))],
  ];
  test.each(sides)('a %s side has the volume of its form, with edges on top', (kind, inset) => {
    const side = { kind, amountMm: A, steps: 32, divisions: 3 };
    const plain = formed(box, { depthMm: D, side });
    expectSound(plain);
    expect(Math.abs(checkMesh(plain).volumeMm3 / volume(D, inset) - 1)).toBeLessThan(2e-3);
    expectSound(formed(box, { depthMm: D, side, front: edge('round', 2, 2, 4), back: edge('cove', 1, 3, 4) }));
  });

  test('a straight side is cut into divisions of quads', () => {
    const walls = (divisions: number): number => {
      const mesh = formed(box, { depthMm: D, side: { kind: 'straight', amountMm: 0, steps: 1, divisions } });
      return Array.from(mesh.region).filter((r) => mesh.regions[r].part === 'outerWall').length;
    };
    expect([walls(1), walls(5)]).toEqual([4, 20]);
  });

  test('a waist thinner than the box leaves two bodies that meet in no face', () => {
    expectSound(formed(box, { depthMm: D, side: { kind: 'waist', amountMm: 30, steps: 6, divisions: 1 } }));
  });
});

describe('shading', () => {
  test('is crisp at corners and smooth along curves and over a rounding', async () => {
    const [sans] = await shippedFaces();
    const { outline, em } = outlineOf(sans, 'O');
    const mesh = solidOf(outline, 18, { front: edge('round', 2, 2, 6), back: PLAIN, em });
    const { twin, face } = adjacency(mesh);
    const partOf = (c: number): string => mesh.regions[mesh.region[face[c]]].part;
    const pairs = Array.from(twin.keys()).filter((c) => twin[c] > c);
    const between = (a: string, b: string): number[] =>
      pairs
        .filter((c) => [partOf(c), partOf(twin[c])].sort().join() === [a, b].sort().join())
        .map((c) => mesh.sharp[c]);
    expect(new Set(between('frontEdge', 'frontEdge'))).toEqual(new Set([0]));
    expect(new Set(between('frontEdge', 'outerWall'))).toEqual(new Set([0]));
    expect(new Set(between('front', 'frontEdge'))).toEqual(new Set([0]));
    expect(new Set(between('back', 'outerWall'))).toEqual(new Set([1]));
    const normals = cornerNormals(mesh);
    const fronts = Array.from(face.keys()).filter((c) => partOf(c) === 'front');
    expect(fronts.every((c) => normals[3 * c + 2] === 1)).toBe(true);
    const box = solidOf(outlineOfRings(rectangle(0, 0, mm(9), mm(9))), 9, { front: PLAIN, back: PLAIN });
    expect(box.sharp.every((s) => s === 1)).toBe(true);
  });
});

// all of them, and 2,000 sections: npm run bench -- --solids
test('letters of every third shipped family are sound with edges of any width and kind', async () => {
  for (const face of (await shippedFaces()).filter((_, i) => i % 3 === 0)) {
    for (const character of 'A%') {
      const { outline, em } = outlineOf(face, character);
      for (const front of [
        edge('round', 0.2, 2, 3),
        edge('chamfer', 60, 5),
        edge('ogee', 3, 6, 3),
        edge('bead', 1, 5, 2),
      ]) {
        const mesh = solidOf(outline, 18, { front, back: edge('chamfer', 1, 1), em });
        expectSound(mesh, `${face.name} ${character} ${front.inMm}`);
      }
    }
  }
});
