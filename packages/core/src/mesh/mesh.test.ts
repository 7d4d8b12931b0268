import { seededRandom } from '../base/index.ts';
import { cubes, insideOut, joined, opened } from '../testing/meshes.ts';
import {
  closeHoles,
  adjacency,
  asTriangles,
  boxTree,
  cornerNormals,
  cutAcross,
  emptyMesh,
  faceAreaVectors,
  faceCount,
  MeshBuilder,
  nextCorner,
  overlappingPairs,
  toFloat32,
  triangulate,
  triangulateInside,
  unfolded,
  vertexCount,
  weld,
  type PolygonMesh,
} from './index.ts';

const cube = (): PolygonMesh => cubes(2, [0, 0, 0]);

/** One polygon in the plane z = 0, or in one of the others by `place`. */
function polygon(
  points: readonly (readonly [number, number])[],
  place: (x: number, y: number) => [number, number, number] = (x, y) => [x, y, 0],
): PolygonMesh {
  const builder = new MeshBuilder();
  const region = builder.region('body', -1, -1);
  builder.face(
    points.map(([x, y]) => builder.vertex(...place(x, y))),
    region,
  );
  return builder.finish();
}

function triangleArea(mesh: PolygonMesh, corners: Uint32Array, t: number): [number, number, number] {
  const [a, b, c] = [0, 1, 2].map((k) => mesh.faceVertices[corners[3 * t + k]] * 3);
  const p = mesh.positions;
  const u = [0, 1, 2].map((k) => p[b + k] - p[a + k]);
  const v = [0, 1, 2].map((k) => p[c + k] - p[a + k]);
  return [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]].map((x) => x / 2) as [
    number,
    number,
    number,
  ];
}

describe('builder', () => {
  test('keeps each region once and counts what it was given', () => {
    const builder = new MeshBuilder();
    const front = builder.region('front', 0, -1);
    expect(builder.region('back', 0, -1)).not.toBe(front);
    expect(builder.region('front', 0, -1)).toBe(front);
    [
      [0, 0],
      [1, 0],
      [0, 1],
    ].forEach(([x, y]) => builder.corner(builder.vertex(x, y, 0)));
    builder.endFace(front);
    const mesh = builder.finish();
    expect([faceCount(mesh), vertexCount(mesh), mesh.regions.length]).toEqual([1, 3, 2]);
    expect(nextCorner(mesh, 0, 2)).toBe(0);
  });

  test('a quad that is folded is told, and from which corner it is cut', () => {
    const cut = (points: readonly (readonly [number, number, number])[]): 0 | 1 | undefined => {
      const builder = new MeshBuilder();
      return builder.foldedFrom(points.map((p) => builder.vertex(...p)));
    };
    const square = (...z: number[]) =>
      cut([
        [0, 0, z[0]],
        [1, 0, z[1]],
        [1, 1, z[2]],
        [0, 1, z[3]],
      ]);
    expect([square(0, 0, 0, 0), square(0, 0, 9, 9), square(0, 0.1, 0, 0.1)]).toEqual([undefined, undefined, undefined]);
    expect(square(0, 90, 0, 60)).toBeDefined();
    // an arrow is cut from its notch
    expect(
      cut([
        [0, 0, 0],
        [4, 2, 0],
        [0, 4, 0],
        [1, 2, 0],
      ]),
    ).toBe(1);
    expect(
      cut([
        [4, 2, 0],
        [0, 4, 0],
        [1, 2, 0],
        [0, 0, 0],
      ]),
    ).toBe(0);
  });

  test('an empty mesh has no faces', () => expect(faceCount(emptyMesh())).toBe(0));
});

describe('adjacency', () => {
  test('every edge of a cube has its twin, which runs the other way', () => {
    const mesh = cube();
    const { twin, face, openEdges, badEdges } = adjacency(mesh);
    expect([openEdges, badEdges]).toEqual([0, 0]);
    twin.forEach((t, c) => {
      expect(twin[t]).toBe(c);
      expect(mesh.faceVertices[nextCorner(mesh, face[t], t)]).toBe(mesh.faceVertices[c]);
      expect(face[t]).not.toBe(face[c]);
    });
  });

  test('a missing face leaves its four edges open', () => {
    expect(adjacency(opened(cube()))).toMatchObject({ openEdges: 4, badEdges: 0 });
  });

  test('edges that both faces walk the same way are bad, each counted once', () => {
    const mesh = cube();
    const faceVertices = mesh.faceVertices.slice();
    faceVertices.subarray(0, 4).reverse();
    expect(adjacency({ ...mesh, faceVertices })).toMatchObject({ openEdges: 0, badEdges: 4 });
  });

  test.each([3, 4, 5])('an edge with %p faces is bad, counted once', (faces) => {
    const builder = new MeshBuilder();
    const region = builder.region('body', -1, -1);
    const [a, b] = [builder.vertex(0, 0, 0), builder.vertex(0, 0, 1)];
    for (let i = 0; i < faces; i++) builder.face([i % 2 ? a : b, i % 2 ? b : a, builder.vertex(1, i, 0)], region);
    expect(adjacency(builder.finish())).toMatchObject({ openEdges: 2 * faces, badEdges: 1 });
  });
});

describe('areas and normals', () => {
  test('the area vectors of a closed mesh sum to nothing; each is its face’s area', () => {
    const areas = faceAreaVectors(cube());
    for (let k = 0; k < 3; k++)
      expect(areas.filter((_, i) => i % 3 === k).reduce((a, b) => a + b, 0)).toBeCloseTo(0, 12);
    for (let f = 0; f < 6; f++) expect(Math.hypot(...areas.subarray(3 * f, 3 * f + 3))).toBeCloseTo(4, 12);
  });

  test('crisp edges split normals, smooth ones share them', () => {
    const smooth = cornerNormals(cube());
    for (let i = 0; i < smooth.length; i += 3)
      for (let k = 0; k < 3; k++) expect(Math.abs(smooth[i + k])).toBeCloseTo(1 / Math.sqrt(3), 12);
    const mesh = cube();
    const crisp = cornerNormals({ ...mesh, sharp: mesh.sharp.map(() => 1) });
    for (let i = 0; i < crisp.length; i += 3)
      expect([...crisp.subarray(i, i + 3)].map(Math.abs).sort()).toEqual([0, 0, 1]);
  });
});

describe('triangulation', () => {
  const SHAPES: [string, (readonly [number, number])[]][] = [
    [
      'a square',
      [
        [0, 0],
        [4, 0],
        [4, 4],
        [0, 4],
      ],
    ],
    [
      'an arrow',
      [
        [0, 0],
        [4, 2],
        [0, 4],
        [1, 2],
      ],
    ],
    [
      'an L',
      [
        [0, 0],
        [4, 0],
        [4, 1],
        [1, 1],
        [1, 4],
        [0, 4],
      ],
    ],
    [
      'a comb',
      [
        [0, 0],
        [7, 0],
        [7, 5],
        [6, 5],
        [6, 1],
        [4, 1],
        [4, 5],
        [3, 5],
        [3, 1],
        [1, 1],
        [1, 5],
        [0, 5],
      ],
    ],
    [
      'points in a row',
      [
        [0, 0],
        [1, 0],
        [2, 0],
        [3, 0],
        [3, 3],
        [0, 3],
      ],
    ],
  ];
  const PLANES: [string, (x: number, y: number) => [number, number, number]][] = [
    ['z', (x, y) => [x, y, 1]],
    ['-z', (x, y) => [y, x, 1]],
    ['x', (x, y) => [3, x, y]],
    ['-x', (x, y) => [3, y, x]],
    ['y', (x, y) => [y, 2, x]],
    ['-y', (x, y) => [x, 2, y]],
    ['askew', (x, y) => [x - y, x + 2 * y, 3 * x - y]],
  ];

  test.each(SHAPES.flatMap(([name, points]) => PLANES.map(([axis, place]) => [name, axis, points, place] as const)))(
    '%s facing %s: areas sum up, all face one way',
    (_, __, points, place) => {
      const mesh = polygon(points, place);
      const whole = faceAreaVectors(mesh);
      const { corners, face, folded } = triangulate(mesh);
      expect([folded, face.length]).toEqual([0, points.length - 2]);
      const sum = [0, 0, 0];
      for (let t = 0; t < face.length; t++) {
        const area = triangleArea(mesh, corners, t);
        expect(area[0] * whole[0] + area[1] * whole[1] + area[2] * whole[2]).toBeGreaterThan(0);
        area.forEach((value, k) => (sum[k] += value));
      }
      sum.forEach((value, k) => expect(value).toBeCloseTo(whole[k], 10));
    },
  );

  test('a bow-tie is told', () => {
    expect(
      triangulate(
        polygon([
          [0, 0],
          [2, 2],
          [2, 0],
          [0, 2],
          [-1, 1],
        ]),
      ).folded,
    ).toBe(1);
  });

  test('asTriangles keeps regions and marks only true edges as crisp', () => {
    const mesh = cube();
    const cut = asTriangles({ ...mesh, sharp: mesh.sharp.map(() => 1) });
    expect([faceCount(cut), vertexCount(cut), cut.sharp.reduce((a, b) => a + b, 0)]).toEqual([12, 8, 24]);
    expect(adjacency(cut)).toMatchObject({ openEdges: 0, badEdges: 0 });
  });

  test('rings with a hole are filled between, crossing segments are refused', () => {
    const x = [0, 6, 6, 0, 2, 2, 4, 4];
    const y = [0, 0, 6, 6, 2, 4, 4, 2];
    const from = [0, 1, 2, 3, 4, 5, 6, 7];
    const filled = triangulateInside(x, y, from, [1, 2, 3, 0, 5, 6, 7, 4]) as Uint32Array;
    let doubled = 0;
    for (let i = 0; i < filled.length; i += 3) {
      const [a, b, c] = filled.subarray(i, i + 3);
      const area = (x[b] - x[a]) * (y[c] - y[a]) - (y[b] - y[a]) * (x[c] - x[a]);
      expect(area).toBeGreaterThan(0);
      doubled += area;
    }
    expect(doubled / 2).toBe(36 - 4);
    expect(triangulateInside([0, 2, 2, 0], [0, 2, 0, 2], [0, 1, 2, 3], [1, 2, 3, 0])).toBeUndefined();
  });
});

describe('weld and rounding', () => {
  test('equal places become one vertex, faces that collapse go', () => {
    const two = cubes(1, [0, 0, 0], [1, 0, 0]);
    expect(vertexCount(weld(two))).toBe(12);
    const flat = joined(
      cube(),
      polygon([
        [5, 5],
        [5, 5],
        [6, 6],
      ]),
    );
    expect(faceCount(weld(flat))).toBe(6);
  });

  test('values of 32 bit come back as they are; finer ones are rounded and what collapses is told', () => {
    const mesh = cube();
    expect(toFloat32(mesh).mesh).toBe(mesh);
    const fine = cubes(2 ** -30, [1, 1, 1]);
    expect(toFloat32(fine)).toMatchObject({ collapsed: 6 });
    const third = toFloat32(cubes(1 / 3, [0, 0, 0]));
    expect(third.collapsed).toBe(0);
    expect(third.mesh.positions.every((v) => Math.fround(v) === v)).toBe(true);
  });

  test('input meshes are left alone', () => {
    const mesh = cubes(1 / 3, [0, 0, 0]);
    const before = JSON.stringify(mesh);
    [weld, asTriangles, toFloat32, cornerNormals, adjacency, insideOut].forEach((f) => f(mesh));
    expect(JSON.stringify(mesh)).toBe(before);
  });
});

test.each([0, 1, 7, 200])('the tree finds the same pairs of %p boxes as trying all', (count) => {
  const random = seededRandom(count);
  const boxes = new Float64Array(count * 6);
  for (let i = 0; i < count; i++) {
    for (let k = 0; k < 3; k++) {
      boxes[6 * i + k] = random() * 10;
      boxes[6 * i + 3 + k] = boxes[6 * i + k] + random() * 2;
    }
  }
  const found = new Set<string>();
  overlappingPairs(boxTree(boxes), boxes, (a, b) => {
    const key = `${Math.min(a, b)} ${Math.max(a, b)}`;
    expect(found.has(key)).toBe(false);
    found.add(key);
    return true;
  });
  const all: string[] = [];
  for (let a = 0; a < count; a++)
    for (let b = a + 1; b < count; b++)
      if ([0, 1, 2].every((k) => boxes[6 * a + k] <= boxes[6 * b + 3 + k] && boxes[6 * b + k] <= boxes[6 * a + 3 + k]))
        all.push(`${a} ${b}`);
  expect([...found].sort()).toEqual(all.sort());
});

describe('quads that depth has folded', () => {
  test('become the two triangles that face one way; what was sharp stays so', () => {
    // seen from above the fourth corner lies inside the triangle of the others
    const folded = {
      ...polygon([
        [0, 0],
        [4, 0],
        [1, 1],
        [0, 4],
      ]),
      sharp: Uint8Array.of(1, 0, 0, 1),
    };
    const mesh = unfolded(folded);
    expect(faceCount(mesh)).toBe(2);
    const { corners } = triangulate(mesh);
    expect([0, 1].map((t) => triangleArea(mesh, corners, t)[2])).toEqual([2, 2]);
    const edges = Array.from(mesh.faceVertices, (v, c) => [
      v,
      mesh.faceVertices[nextCorner(mesh, c < 3 ? 0 : 1, c)],
      mesh.sharp[c],
    ]);
    expect(
      edges
        .filter(([, , sharp]) => sharp === 1)
        .map(([a, b]) => [a, b])
        .sort(),
    ).toEqual([
      [0, 1],
      [3, 0],
    ]);
  });

  test('flat ones stay', () => {
    const square = polygon([
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ]);
    expect(faceCount(unfolded(square))).toBe(1);
  });
});

describe('a cut across', () => {
  const soup = (mesh: PolygonMesh): Parameters<typeof cutAcross>[0] => {
    const { corners } = triangulate(mesh);
    return { positions: mesh.positions, index: corners.map((c) => mesh.faceVertices[c]) };
  };

  test('a cube is its square, closed', () => {
    const lines = cutAcross(soup(cubes(2, [0, 0, 0])), 0.3);
    expect(lines).toHaveLength(1);
    const area = lines[0].reduce((sum, [x, z], i) => {
      const [nextX, nextZ] = lines[0][(i + 1) % lines[0].length];
      return sum + (x * nextZ - nextX * z) / 2;
    }, 0);
    expect(Math.abs(area)).toBeCloseTo(4, 12);
  });

  test('two cubes are two lines; beside them there is nothing', () => {
    expect(cutAcross(soup(cubes(2, [0, 0, 0], [5, 0, 0])), 0.3)).toHaveLength(2);
    expect(cutAcross(soup(cubes(2, [0, 0, 0])), 7)).toEqual([]);
  });
});

describe('closing holes', () => {
  test('a cube without two of its sides becomes whole, a large hole gets a middle', () => {
    const cube = cubes(1, [0, 0, 0]);
    const open: PolygonMesh = {
      ...cube,
      faceStart: cube.faceStart.slice(0, -2),
      faceVertices: cube.faceVertices.slice(0, -8),
      sharp: cube.sharp.slice(0, -8),
      region: cube.region.slice(0, -2),
    };
    expect(adjacency(open).openEdges).toBeGreaterThan(0);
    const { mesh, closed, left } = closeHoles(open);
    expect([closed > 0, left, adjacency(mesh).openEdges, adjacency(mesh).badEdges]).toEqual([true, 0, 0, 0]);
    expect(closeHoles(mesh)).toMatchObject({ closed: 0, left: 0 });
  });
});
