import { loadKernels } from '@fictile/kernels';
import { seededRandom, type Carver } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { formMesh } from '../form/index.ts';
import type { Vec3 } from '../math/index.ts';
import { emptyMesh, faceCount, faceCorners, triangulate, type PolygonMesh, type Region } from '../mesh/index.ts';
import { BALL, box, FULL, JUG, moved } from '../testing/bodies.ts';
import {
  bodySurface,
  carve,
  INSIDE,
  patchUnder,
  prepare,
  putBack,
  raiseFaces,
  type Carved,
  type CarveJob,
} from './index.ts';
import { easeFans } from './easeFans.ts';
import { joinedSkin } from './imprint.ts';
import { liesOver } from './liesOver.ts';
import { BELOW } from './patchUnder.ts';
import type { CutTriangles } from './readOut.ts';
import type { CutSource } from './source.ts';

let carver: Carver;
beforeAll(async () => {
  carver = await (await loadKernels()).loadCarver();
});

const recess = (region: Region): Region => ({ ...region, part: 'recess', of: 'tool' });

function carved(body: PolygonMesh, job: CarveJob): ReturnType<typeof carve> {
  const prepared = prepare(carver, body);
  if ('why' in prepared) return prepared;
  const done = carve(carver, prepared, job);
  prepared.free();
  return done;
}

function cut(body: PolygonMesh, cutters: PolygonMesh[], more: Partial<CarveJob> = {}): Carved {
  const regionOf: CarveJob['regionOf'] = (by, region) => (by === undefined ? region : recess(region));
  const done = carved(body, { cutters, operation: 'subtract', dropsLoose: false, cleanMm: 0, regionOf, ...more });
  if ('why' in done) throw new Error(done.why);
  return done;
}

const SOUND = { closed: true, manifold: true, outward: true, crossingFaces: 0, degenerate: 0 };
const volume = (mesh: PolygonMesh): number => checkMesh(mesh).volumeMm3;

/** Every face by its corners' places, to the last bit. */
function facesOf({ positions, faceVertices, ...mesh }: PolygonMesh): Set<string> {
  const all = { positions, faceVertices, ...mesh };
  const place = (c: number): string => positions.subarray(3 * faceVertices[c], 3 * faceVertices[c] + 3).join(' ');
  return new Set(
    Array.from({ length: faceCount(all) }, (_, f) => {
      const row = faceCorners(all, f).map((c) => `${place(c)} ${mesh.sharp[c]}`);
      const first = row.indexOf([...row].sort()[0]);
      return `${[...row.slice(first), ...row.slice(0, first)].join(' | ')} # ${mesh.regions[mesh.region[f]].part}`;
    }),
  );
}

test('a block with a notch, a block with a knob, and what both share', () => {
  const body = box(20, 10, 10);
  const tool = moved(box(4, 20, 4), [0, -5, 5]);
  const share = 4 * 10 * 2;
  const [less, both, shared] = (['subtract', 'join', 'intersect'] as const).map((operation) =>
    cut(body, [tool], { operation }),
  );
  expect(volume(less.mesh)).toBeCloseTo(2000 - share, 9);
  expect(volume(both.mesh)).toBeCloseTo(2000 + 4 * 20 * 4 - share, 9);
  expect(volume(shared.mesh)).toBeCloseTo(share, 9);
  for (const done of [less, both, shared]) {
    expect(checkMesh(done.mesh)).toMatchObject(SOUND);
    expect(done.volumeError).toBeLessThan(1e-12);
    expect(done.apart).toEqual([]);
  }
  expect(less.mesh.regions.some(({ part, of }) => part === 'recess' && of === 'tool')).toBe(true);
});

test.each([
  [0, 0, 0],
  [17, 31, 8],
] as Vec3[])('a tool flush with a face, turned by %s %s %s', (...turn) => {
  // the shared plane is no plane any more once it is turned: a hair of overshoot is asked of whoever makes the tool
  const [body, tool] = [box(20, 10, 10), moved(box(4, 4, 4), [0, 3, 3.0001])].map((mesh) =>
    moved(mesh, [100, 20, -7], turn),
  );
  const { mesh } = cut(body, [tool]);
  expect(checkMesh(mesh)).toMatchObject({ ...SOUND, shells: 1 });
});

/** The same, seen from the other side. */
function turnedOver(mesh: PolygonMesh): PolygonMesh {
  const [faceVertices, sharp] = [mesh.faceVertices.slice(), mesh.sharp.slice()];
  for (let f = 0; f < faceCount(mesh); f++) {
    const [from, to] = [mesh.faceStart[f], mesh.faceStart[f + 1]];
    faceVertices.subarray(from, to).reverse();
    sharp.subarray(from, to - 1).reverse();
  }
  return { ...mesh, faceVertices, sharp, regions: mesh.regions.map(recess) };
}

test('faces that the cut did not meet come back bit for bit, the tool’s seen from behind', () => {
  const tool = moved(BALL, [20, 30, 0]);
  const { mesh, whole } = cut(FULL, [tool], { cleanMm: 0.05 });
  const [before, after, of] = [facesOf(FULL), facesOf(mesh), facesOf(turnedOver(tool))];
  const [kept, dug] = [before, of].map((faces) => [...faces].filter((face) => after.has(face)).length);
  expect(kept + dug).toBe(whole);
  expect(kept).toBeGreaterThan(0.4 * before.size);
  expect(dug).toBeGreaterThan(0.2 * of.size);
  expect(checkMesh(mesh)).toMatchObject(SOUND);
});

test('in any place: closed, nothing crosses, and volumes add up', () => {
  const random = seededRandom(5);
  const place = (): Vec3 => [60 * random() - 30, 60 * random(), 60 * random() - 30];
  for (let round = 0; round < 6; round++) {
    const tools = [moved(BALL, place()), moved(box(8, 50, 8), place(), [360 * random(), 360 * random(), 0])];
    for (const operation of ['subtract', 'join', 'intersect', 'imprint'] as const) {
      const done = cut(JUG, tools, { operation, cleanMm: 0.04 });
      expect(done.volumeError).toBeLessThan(1e-9);
      expect(done.tidied.slivers).toBeLessThanOrEqual(done.tidied.sliversBefore);
      expect(done.tidied.movedMm).toBeLessThanOrEqual(0.04);
      expect(checkMesh(done.mesh)).toMatchObject(SOUND);
    }
  }
});

test('cutters that touch nothing are named, and loose parts counted and left out on request', () => {
  const body = box(30, 10, 10);
  const apart = cut(body, [
    moved(box(4, 20, 20), [-5, -5, 0]),
    moved(box(4, 20, 20), [5, -5, 0]),
    moved(BALL, [0, 200, 0]),
  ]);
  expect(apart).toMatchObject({ apart: [2], loose: 2 });
  expect(checkMesh(apart.mesh)).toMatchObject({ ...SOUND, shells: 3 });
  const ring = cut(body, [moved(box(4, 20, 20), [5, -5, 0])], { dropsLoose: true });
  expect(checkMesh(ring.mesh)).toMatchObject({ ...SOUND, shells: 1, volumeMm3: expect.closeTo(18 * 100, 6) as number });
  // buried alive
  expect(cut(body, [moved(box(2, 2, 2), [0, 4, 0])])).toMatchObject({ apart: [0], inside: [0] });
  expect(cut(body, [moved(box(2, 2, 2), [0, 4, 0])], { operation: 'join' })).toMatchObject({ apart: [0], inside: [0] });
});

test('what a cut leaves of quads are quads, and few of its triangles are slivers', () => {
  // a column of many faces, far from the border of the board
  const knots = [
    [0, 0],
    [8, 0],
    [8, 60],
    [0, 60],
  ].map(([radiusMm, heightMm]) => ({ radiusMm, heightMm, smooth: false }));
  const column = moved(formMesh({ kind: 'turned', wallMm: 0, knots }, 0.003), [60, -20, 30]);
  const board = box(300, 12, 120);
  const { mesh, tidied } = cut(board, [column], { cleanMm: 0.01 });
  const report = checkMesh(mesh);
  expect(report).toMatchObject({ ...SOUND, shells: 1 });
  expect(tidied.sliversBefore).toBeGreaterThan(100);
  expect(report.slivers).toBeLessThan(0.02 * faceCount(mesh));
  const sizes = Array.from({ length: faceCount(mesh) }, (_, f) => faceCorners(mesh, f).length);
  expect(sizes.filter((size) => size === 4).length).toBeGreaterThanOrEqual(4 + 48);
});

test('an imprint leaves the surface where it was, with the faces inside known', () => {
  const regionOf: CarveJob['regionOf'] = (by, region) => (by === INSIDE ? recess(region) : region);
  const vessel = cut(JUG, [moved(BALL, [30, 20, 0])], { operation: 'imprint', regionOf });
  expect(checkMesh(vessel.mesh)).toMatchObject({ ...SOUND, volumeMm3: expect.closeTo(volume(JUG), 6) as number });
  const { mesh } = cut(FULL, [moved(BALL, [20, 30, 0])], { operation: 'imprint', regionOf });
  const inside = mesh.region.filter((row) => mesh.regions[row].part === 'recess').length;
  expect(inside).toBeGreaterThan(20);
  const raised = raiseFaces(mesh, {
    byMm: 0.5,
    isRaised: ({ part }) => part === 'recess',
    wall: (region) => ({ ...region, part: 'outerWall' }),
  });
  expect(checkMesh(raised)).toMatchObject(SOUND);
  expect(volume(raised)).toBeGreaterThan(volume(FULL) + 10);
  const leaning = raiseFaces(mesh, {
    byMm: 0.5,
    leanMm: 0.2,
    isRaised: ({ part }) => part === 'recess',
    wall: (region) => ({ ...region, part: 'outerWall' }),
  });
  expect(checkMesh(leaning)).toMatchObject(SOUND);
  expect(volume(leaning)).toBeLessThan(volume(raised));
});

test('what is no solid is told: open, inside out, a tool without depth', () => {
  const body = box(20, 10, 10);
  const open = {
    ...body,
    faceStart: body.faceStart.slice(0, -1),
    faceVertices: body.faceVertices.slice(0, -4),
    sharp: body.sharp.slice(0, -4),
    region: body.region.slice(0, -1),
  };
  const turned = { ...body, faceVertices: body.faceVertices.slice() };
  for (let f = 0; f < faceCount(turned); f++)
    turned.faceVertices.subarray(turned.faceStart[f], turned.faceStart[f + 1]).reverse();
  const job = {
    operation: 'subtract',
    dropsLoose: false,
    cleanMm: 0,
    regionOf: (_: unknown, region: Region) => region,
  } as const;
  expect(carved(open, { ...job, cutters: [BALL] })).toEqual({ why: 'open' });
  expect(carved(turned, { ...job, cutters: [BALL] })).toEqual({ why: 'inward' });
  expect(carved(body, { ...job, cutters: [open] })).toEqual({ why: 'cutter' });
  expect(carved(emptyMesh(), { ...job, cutters: [BALL] })).toHaveProperty('why');
});

test('shells of a body that run into each other become one before it is cut', () => {
  const one = box(10, 10, 10);
  const second = moved(one, [5, 0, 0]);
  const vertices = one.positions.length / 3;
  const both: PolygonMesh = {
    ...one,
    positions: Float64Array.from([...one.positions, ...second.positions]),
    faceStart: Uint32Array.from([
      ...one.faceStart,
      ...[...one.faceStart.slice(1)].map((at) => at + one.faceVertices.length),
    ]),
    faceVertices: Uint32Array.from([...one.faceVertices, ...[...one.faceVertices].map((v) => v + vertices)]),
    sharp: Uint8Array.from([...one.sharp, ...one.sharp]),
    region: Uint32Array.from([...one.region, ...one.region]),
  };
  const { mesh } = cut(both, [moved(box(2, 20, 2), [0, -5, 0])]);
  expect(checkMesh(mesh)).toMatchObject({ ...SOUND, shells: 1, volumeMm3: expect.closeTo(1500 - 40, 6) as number });
});

test('texture coordinates and marks of materials stay: whole faces to the last bit, cut ones along their face', () => {
  const uvAt = (x: number, y: number, z: number): [number, number] => [0.01 * x + 0.02 * y, 0.5 - 0.01 * z + 0.003 * y];
  const at = (mesh: PolygonMesh, c: number): [number, number] =>
    uvAt(...([0, 1, 2].map((k) => mesh.positions[3 * mesh.faceVertices[c] + k]) as Vec3));
  const corners = (mesh: PolygonMesh): number[] => [...mesh.faceVertices.keys()];
  const painted = {
    ...JUG,
    uv: Float32Array.from(corners(JUG).flatMap((c) => at(JUG, c))),
    regions: JUG.regions.map((region) => ({ ...region, paint: 1 })),
  };
  const { mesh, whole } = cut(painted, [moved(box(12, 14, 30), [0, 30, 25])], { cleanMm: 0.01 });
  expect(whole).toBeGreaterThan(100);
  const uv = mesh.uv as Float32Array;
  const kept = facesOf(painted);
  let far = 0;
  for (let f = 0; f < faceCount(mesh); f++) {
    const { of, paint } = mesh.regions[mesh.region[f]];
    expect(paint).toBe(of === undefined ? 1 : undefined);
    for (const c of faceCorners(mesh, f)) {
      const wanted = of === undefined ? at(mesh, c) : [0, 0];
      far = Math.max(far, ...[0, 1].map((k) => Math.abs(uv[2 * c + k] - wanted[k])));
    }
  }
  // a border that was moved to clear slivers away moves its texture coordinates with it
  expect(far).toBeLessThan(1e-3);
  expect([...facesOf(mesh)].filter((face) => kept.has(face)).length).toBe(whole);
});

describe('cut in a patch alone', () => {
  const LARGE = formMesh({ kind: 'ball', radiusMm: 60 }, 0.02);
  const inPatch = (
    body: PolygonMesh,
    cutters: PolygonMesh[],
    operation: 'subtract' | 'join',
  ): PolygonMesh | undefined => {
    const surface = bodySurface(body);
    const patch = surface && patchUnder(surface, cutters);
    if (!patch) return undefined;
    expect(checkMesh(patch.solid)).toMatchObject(SOUND);
    return putBack(surface, patch, cut(patch.solid, cutters, { operation }).mesh);
  };
  const letters = [-20, 0, 20].map((x) => moved(box(8, 12, 20), [x, 55, Math.sqrt(3600 - x * x) - 4]));

  test.each(['subtract', 'join'] as const)('a body of many faces, %s: as if all of it had been cut', (operation) => {
    const local = inPatch(LARGE, letters, operation);
    if (!local) throw new Error('no patch');
    const whole = cut(LARGE, letters, { operation });
    expect(checkMesh(local)).toMatchObject(SOUND);
    expect(volume(local)).toBeCloseTo(volume(whole.mesh), 6);
    expect(facesOf(local).size).toBe(faceCount(local));
    const kept = facesOf(LARGE);
    expect([...facesOf(local)].filter((face) => kept.has(face)).length).toBeGreaterThan(0.999 * whole.whole);
    expect(
      local.regions.some(
        ({ of }) => of === BELOW && local.region.includes(local.regions.findIndex((one) => one.of === BELOW)),
      ),
    ).toBe(false);
  });

  test('not where the cut comes near other faces or through the body', () => {
    const through = [moved(box(8, 8, 200), [0, 55, 0])];
    expect(inPatch(LARGE, through, 'subtract')).toBeUndefined();
    const shell = formMesh(
      {
        kind: 'turned',
        wallMm: 3,
        knots: [
          [40, 0],
          [60, 60],
          [40, 120],
        ].map(([radiusMm, heightMm]) => ({ radiusMm, heightMm, smooth: true })),
      },
      0.02,
    );
    expect(inPatch(shell, [moved(box(8, 12, 10), [0, 55, 57])], 'subtract')).toBeUndefined();
    expect(inPatch(shell, [moved(box(8, 12, 3), [0, 55, 60])], 'subtract')).toBeDefined();
    // buried, or in the hollow behind the wall, or beside the body: with others that are met
    const met = moved(box(8, 12, 3), [0, 55, 60]);
    for (const at of [
      [0, 55, 40],
      [0, 35, 20],
      [0, 55, 90],
      [30, 55, 62],
    ] as Vec3[])
      expect(inPatch(shell, [met, moved(box(6, 6, 3), at)], 'subtract')).toBeUndefined();
    expect(
      inPatch(LARGE, [moved(box(8, 12, 6), [0, 55, 60]), moved(box(5, 5, 5), [12, 55, 40])], 'join'),
    ).toBeUndefined();
    // over an edge the two faces beside it are a field of heights as well
    expect(
      checkMesh(inPatch(box(50, 50, 50), [moved(box(8, 8, 8), [25, 20, 25])], 'subtract') ?? emptyMesh()),
    ).toMatchObject(SOUND);
    expect(
      bodySurface({ ...LARGE, faceStart: LARGE.faceStart.slice(0, -1), region: LARGE.region.slice(0, -1) }),
    ).toBeUndefined();
  });

  test('a field of heights lies over itself where a face is put over another', () => {
    const square = [0, 0, 1, 0, 1, 1, 0, 1];
    expect(
      liesOver({
        places: Float64Array.from([...square, ...square.map((v, i) => v + (i % 2 === 0 ? 1 : 0))]),
        faceStart: [0, 4, 8],
      }),
    ).toBe(false);
    expect(
      liesOver({ places: Float64Array.from([...square, ...square.map((v) => v / 2 + 0.2)]), faceStart: [0, 4, 8] }),
    ).toBe(true);
  });
});

/** Triangles of a body, all on one face; corners as places. */
function half(triangles: Vec3[][]): CutTriangles {
  const places = triangles.flat();
  const names = [...new Set(places.map(String))];
  const count = triangles.length;
  return {
    places: Float64Array.from(names.flatMap((name) => name.split(',').map(Number))),
    vertices: Uint32Array.from(places, (at) => names.indexOf(String(at))),
    numbers: new Int32Array(3 * count).fill(-1),
    source: new Uint32Array(count).fill(1),
    group: new Uint32Array(count),
    isTurned: new Uint8Array(count),
  };
}

test.each([1, 2])('an imprint’s halves meet where one of them has %i points more along the line', (points) => {
  const [a, b, left, right]: Vec3[] = [
    [0, 0, 0],
    [3, 0, 0],
    [1, 2, 0],
    [1, -2, 0],
  ];
  const line = [a, ...[1, 2].slice(0, points).map((x): Vec3 => [x, 1e-9, 0]), b];
  const inside = half(line.slice(1).map((at, i) => [line[i], at, left]));
  const skin = joinedSkin({ inside, outside: half([[b, a, right]]) }, { id: 1 } as CutSource, {
    insideId: 2,
    near: 1e-8,
  });
  expect([...skin.source].sort()).toEqual([...Array<number>(points + 1).fill(1), ...Array<number>(points + 1).fill(2)]);
  const edges = [...skin.vertices.keys()].map((c) => [skin.vertices[c], skin.vertices[c % 3 === 2 ? c - 2 : c + 1]]);
  const open = edges.filter(([from, to]) => !edges.some(([x, y]) => x === to && y === from));
  // the four sides of what both make
  expect(open).toHaveLength(4);
});

test('slivers all round a vertex are gone round once', () => {
  // a needle whose tips are joined to its middle
  const places: Vec3[] = [
    [0, 0, 0],
    [100, 0, 0],
    [100, 0.1, 0],
    [0, 0.2, 0],
    [-100, 0.1, 0],
    [-100, 0, 0],
    [0, -0.2, 0],
  ];
  const fan = half([1, 2, 3, 4, 5, 6].map((i) => [places[0], places[i], places[1 + (i % 6)]]));
  const count = fan.source.length;
  const mesh = {
    ...emptyMesh(),
    positions: fan.places,
    faceStart: Uint32Array.from({ length: count + 1 }, (_, t) => 3 * t),
    faceVertices: fan.vertices,
    region: new Uint32Array(count),
  };
  const source = {
    id: fan.source[0],
    mesh,
    triangles: triangulate(mesh),
    groups: new Uint32Array(count),
    origin: [0, 0, 0],
  } as CutSource;
  const triangles = [...fan.source.keys()];
  const eased = easeFans(
    { cut: fan, triangles, slivers: count },
    { whole: [], touched: triangles },
    new Map([[source.id, source]]),
  );
  expect(new Set(eased.triangles).size).toBe(eased.triangles.length);
  expect(eased.slivers).toBeLessThanOrEqual(count);
});
