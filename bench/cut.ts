import {
  assemble,
  bodySurface,
  carve,
  checkMesh,
  CUT_NEARBY_FROM,
  cutNearby,
  Engine,
  faceCount,
  formMesh,
  newModel,
  newPiece,
  pieceMesh,
  prepare,
  quietContext,
  splitGraphemes,
  STILL,
  toFloat32,
  transformPoints,
  triangulate,
  turnOf,
  unwrap,
  usualFrame,
  usualStep,
  usualWriteOptions,
  writeScene,
  type Carved,
  type Edit,
  type Evaluated,
  type Kernels,
  type PolygonMesh,
  type Project,
  type Region,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { BufferAttribute, BufferGeometry } from 'three';
import { ADDITION, Brush, Evaluator, SUBTRACTION } from 'three-bvh-csg';
import { median, quantile } from './statistics.ts';
import type { Say } from './figures.ts';
import { madeProject } from './madeProject.ts';

type Vec3 = [number, number, number];
type Carver = Awaited<ReturnType<NonNullable<Kernels['loadCarver']>>>;

const TEXT = 'Kiln Openings\nSaltglaze Row';
const LETTERS = [...TEXT].filter((c) => c.trim() !== '').length;
const ROUNDS = 5;
const RING_MM = 0.5;
const DEPTH_MM = 4;

interface Case {
  name: string;
  mesh: PolygonMesh;
  /** where the words are held, and where they look to */
  from: Vec3;
  toward: Vec3;
  up: Vec3;
  sizeMm: number;
  tracking?: number;
  liftMm?: number;
  method?: 'round' | 'flat';
}

interface Telling {
  say: Say;
  /** one case alone, by the letter that its name begins with */
  only: string | undefined;
}

/** Letters with round edges in and on bodies of all kinds, beside the general library that also draws with three. */
export async function benchCut(kernels: Kernels, yardstickMs: number, { say, only }: Telling): Promise<void> {
  const carver = await (kernels.loadCarver as NonNullable<Kernels['loadCarver']>)();
  say(
    `\n${LETTERS} letters with round edges; milliseconds are medians of ${ROUNDS}, bringing in and reading back ` +
      'included',
  );
  for (const one of cases()) if (!only || one.name.startsWith(only)) await tellCase(kernels, carver, one, { say });
  const [, , , askew] = cases();
  if (!only || askew.name.startsWith(only)) await tellFlush(kernels, askew, say);
  if (only) return;
  await tellDrag(kernels, cases()[2], yardstickMs, { say });
  await tellMemory(kernels, carver, say);
}

function cases(): Case[] {
  const front = { from: [0, 40, 200] as Vec3, toward: [0, 0, -1] as Vec3, up: [0, 1, 0] as Vec3 };
  const box = formMesh(
    { kind: 'block', widthMm: 220, heightMm: 80, depthMm: 30, edge: 'plain', edgeMm: 0, taperPercent: 0 },
    0.05,
  );
  const turn: Vec3 = [17, 31, 8];
  const askew = (v: Vec3): Vec3 =>
    [...transformPoints({ rows: turnOf(turn), move: [0, 0, 0] }, Float64Array.from(v))] as Vec3;
  const turned = { ...box, positions: transformPoints({ rows: turnOf(turn), move: [3, 5, 7] }, box.positions) };
  return [
    { name: 'a box', mesh: box, ...front, sizeMm: 18, method: 'flat' },
    { name: 'b torus', mesh: grid(200, 100, torus), from: [0, 60, 300], toward: [0, 0, -1], up: [0, 1, 0], sizeMm: 9 },
    {
      name: 'c displaced ball',
      mesh: grid(448, 224, lumpyBall),
      from: [0, 0, 300],
      toward: [0, 0, -1],
      up: [0, 1, 0],
      sizeMm: 12,
    },
    {
      name: 'd flush, askew',
      mesh: turned,
      from: askew([0, 40, 15]).map((v, k) => v + [3, 5, 7][k]) as Vec3,
      toward: askew([0, 0, -1]),
      up: askew([0, 1, 0]),
      sizeMm: 18,
      method: 'flat',
    },
    { name: 'e overlapping', mesh: box, ...front, sizeMm: 20, tracking: -90, method: 'flat' },
  ];
}

const TAU = 2 * Math.PI;
const torus = (u: number, v: number): Vec3 => {
  const [radius, thick] = [60, 26];
  const out = radius + thick * Math.cos(TAU * v);
  return [out * Math.cos(TAU * u), out * Math.sin(TAU * u), thick * Math.sin(TAU * v)];
};
const lumpyBall = (u: number, v: number): Vec3 => {
  const [a, b] = [TAU * u, Math.PI * Math.min(1 - 1e-3, Math.max(1e-3, v))];
  const radius = 90 * (1 + 0.03 * Math.sin(5 * a) * Math.sin(4 * b) + 0.01 * Math.sin(13 * a) * Math.sin(9 * b));
  return [radius * Math.sin(b) * Math.sin(a), -radius * Math.cos(b), radius * Math.sin(b) * Math.cos(a)];
};

/** Quads over a square of parameters; open ends of the second are closed by one face each. */
function grid(columns: number, rows: number, place: (u: number, v: number) => Vec3): PolygonMesh {
  const rounds = place(0, 0).every((x, k) => Math.abs(x - place(0, 1)[k]) < 1e-9);
  const lines = rounds ? rows : rows + 1;
  const positions = Float64Array.from(
    Array.from({ length: columns * lines }, (_, i) =>
      place((i % columns) / columns, Math.floor(i / columns) / rows),
    ).flat(),
  );
  const at = (i: number, j: number): number => (j % lines) * columns + (i % columns);
  const faces: number[][] = [];
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) faces.push([at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j + 1)]);
  if (!rounds) {
    faces.push(Array.from({ length: columns }, (_, i) => at(columns - 1 - i, 0)));
    faces.push(Array.from({ length: columns }, (_, i) => at(i, rows)));
  }
  const starts = [0];
  for (const face of faces) starts.push(starts[starts.length - 1] + face.length);
  const corners = faces.flat();
  return {
    positions,
    faceStart: Uint32Array.from(starts),
    faceVertices: Uint32Array.from(corners),
    sharp: new Uint8Array(corners.length),
    region: new Uint32Array(faces.length),
    regions: [{ part: 'body', letter: -1, contour: -1 }],
  };
}

async function engineFor(kernels: Kernels, mesh: PolygonMesh): Promise<Engine> {
  const part = { name: 'body', mesh, transform: STILL, slots: newPiece('p', 'p', []).slots, letters: [] };
  const { bytes } = await writeScene([part], usualWriteOptions('obj', 'body'));
  return new Engine({
    kernels,
    catalogue: SHIPPED_FONTS,
    loadFont: readFont,
    loadModel: () => Promise.resolve(bytes),
    cacheBytes: 4e8,
  });
}

function projectOf(
  { from, toward, up, sizeMm, tracking = 0, method = 'round', liftMm = -2 }: Case,
  more: Edit[] = [],
): Project {
  const words = newPiece('words', TEXT, splitGraphemes(TEXT));
  const body = newModel('body', 'body', { ...usualFrame('obj'), asset: 'a'.repeat(64) });
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: 'words', values: { sizeMm, tracking, anchor: 'middle', align: 'center' } },
    {
      kind: 'setSolid',
      pieceId: 'words',
      values: { depthMm: DEPTH_MM, front: { kind: 'round', inMm: 0.6, deepMm: 0.6, steps: 3, points: [] } },
    },
    {
      kind: 'setSteps',
      pieceId: 'words',
      steps: [{ ...usualStep('onto', 'onto'), target: 'body', method, fromMm: from, toward, up, liftMm }],
    },
    ...more,
  ];
  return madeProject('p', [words, body], edits);
}

const OPERATIONS = ['subtract', 'join'] as const;

type Job = Parameters<typeof carve>[2];

/** How deep: joined ones stand in the face, taken out or shared ones end in it. */
const SINKS: Readonly<Record<string, number>> = { join: 0, subtract: DEPTH_MM, intersect: DEPTH_MM };

/** Letters whose back, or front, lies exactly in the face that they cut, by the steps that a document has. */
async function tellFlush(kernels: Kernels, one: Case, say: Say): Promise<void> {
  for (const operation of ['engrave', 'raise', 'join', 'imprint', 'through', 'subtract', 'intersect'] as const) {
    const engine = await engineFor(kernels, one.mesh);
    const cut: Edit = {
      kind: 'setSteps',
      pieceId: 'body',
      steps: [{ ...usualStep('cut', 'cut'), target: 'words', operation, sinkMm: SINKS[operation] ?? 2 }],
    };
    const done = unwrap(await engine.evaluate(projectOf({ ...one, liftMm: 0 }, [cut]), 'body', quietContext));
    const report = checkMesh(pieceMesh(done));
    const rounded = checkMesh(toFloat32(pieceMesh(done)).mesh);
    const isClosedSolid = report.closed && report.manifold && report.outward;
    const isSound = isClosedSolid && report.crossingFaces + rounded.crossingFaces === 0;
    const told = done.remarks.map(({ code, params }) => ('why' in params ? `${code} (${params.why})` : code));
    say.put(`cut: ${operation}, exactly flush: faults`, isSound ? 0 : 1, 'meshes', { bar: 0 });
    say(
      `  ${operation}, exactly flush: ${isClosedSolid ? 'closed, manifold, outward' : 'NOT CLOSED'}, ` +
        `${report.crossingFaces} crossing, ${rounded.crossingFaces} in 32 bit; ${report.faces} faces; ` +
        `told: ${told.join(', ') || 'nothing'}`,
    );
  }
}

/** As an engine does it: of a large body only the part that is met. */
function cutCold(
  carver: Carver,
  body: PolygonMesh,
  job: Job,
  { ready }: { ready?: Ready } = {},
): ReturnType<typeof carve> {
  const surface = ready ? ready.surface : surfaceOf(body);
  const nearby =
    surface && cutNearby(surface, { cutters: job.cutters, carver, cut: (patch) => carve(carver, patch, job) });
  if (nearby) return nearby;
  const prepared = ready?.prepared ?? prepare(carver, body);
  if ('why' in prepared) return prepared;
  const done = carve(carver, prepared, job);
  if (!ready) prepared.free();
  return done;
}

/** What stays of a body while only what cuts it changes. */
interface Ready {
  surface: ReturnType<typeof bodySurface>;
  prepared: ReturnType<typeof prepare>;
}

const surfaceOf = (body: PolygonMesh): Ready['surface'] =>
  faceCount(body) < CUT_NEARBY_FROM ? undefined : bodySurface(body);

async function tellCase(kernels: Kernels, carver: Carver, one: Case, { say }: { say: Say }): Promise<void> {
  const engine = await engineFor(kernels, one.mesh);
  const words = unwrap(await engine.evaluate(projectOf(one), 'words', quietContext));
  const cutters = words.clusters.map((cluster) => assemble([cluster]));
  const triangles = (mesh: PolygonMesh): number => triangulate(mesh).face.length;
  say(
    `${one.name}: ${triangles(one.mesh)} triangles, letters ${cutters.reduce((sum, mesh) => sum + triangles(mesh), 0)}`,
  );
  for (const operation of OPERATIONS) {
    const job = {
      cutters,
      operation,
      regionOf: (_: unknown, region: Region) => region,
      dropsLoose: false,
      cleanMm: 0.02 * DEPTH_MM,
    };
    const ready = { surface: surfaceOf(one.mesh), prepared: prepare(carver, one.mesh) };
    const [ours, again, theirs] = timedInTurn(
      () => cutCold(carver, one.mesh, job),
      () => cutCold(carver, one.mesh, job, { ready }),
      () => byCsg(one.mesh, cutters, operation),
    );
    if ('why' in ours.value) {
      say(`  ${operation}: refused, ${ours.value.why}`);
      say.put(`cut: ${one.name}, ${operation}: refused`, 1, 'meshes', { bar: 0 });
      continue;
    }
    tellOurs(operation, ours.value, ours.ms, { say });
    say.put(`cut: ${one.name}, ${operation}: faults`, isSoundCut(ours.value.mesh) ? 0 : 1, 'meshes', { bar: 0 });
    say.put(`cut: ${one.name}, ${operation}: general library to ours, time`, theirs.ms / ours.ms, 'times', { aim: 1 });
    say.put(`cut: ${one.name}, ${operation}: the same, body kept`, theirs.ms / again.ms, 'times', { aim: 4 });
    tellRing(cutCold(carver, one.mesh, { ...job, ringMm: RING_MM }, { ready }), say);
    if ('free' in ready.prepared) ready.prepared.free();
    say(
      `    body kept: ${again.ms.toFixed(0)} ms; general library: ${theirs.ms.toFixed(0)} ms ` +
        `(${(theirs.ms / ours.ms).toFixed(2)}x of ours, ${(theirs.ms / again.ms).toFixed(2)}x with the body ` +
        `kept); open edges ${openEdges(theirs.value, 0)} as they are, ${openEdges(theirs.value, 1e-5)} joined ` +
        'within 1e-5',
    );
  }
}

function isSoundCut(mesh: PolygonMesh): boolean {
  const { closed, manifold, outward, crossingFaces } = checkMesh(mesh);
  return closed && manifold && outward && crossingFaces === 0;
}

function tellOurs(
  operation: string,
  { mesh, volumeError, whole, tidied, apart }: Carved,
  ms: number,
  { say }: { say: Say },
): void {
  const report = checkMesh(mesh);
  const rounded = checkMesh(toFloat32(mesh).mesh);
  const isClosed = (r: typeof report): string =>
    r.closed && r.manifold && r.outward ? 'closed, manifold, outward' : 'NOT CLOSED';
  const share = (slivers: number): string => `${((100 * slivers) / Math.max(1, tidied.triangles.length)).toFixed(1)} %`;
  say(
    `  ${operation}: ${ms.toFixed(0)} ms; ${isClosed(report)}, ${report.crossingFaces} crossing in 64 ` +
      `bit; ${isClosed(rounded)}, ${rounded.crossingFaces} crossing, ${rounded.degenerate} without area in 32 bit; ` +
      `volumes off by ${volumeError.toExponential(1)}; ${apart.length} letters apart; ${whole} faces whole; ` +
      `slivers on ${tidied.triangles.length} triangles of cut faces ${share(tidied.sliversBefore)} ` +
      `-> ${share(tidied.slivers)}, borders moved by up to ${tidied.movedMm.toFixed(3)} mm`,
  );
}

/** A ring of quads beside the same cut. */
function tellRing(cut: ReturnType<typeof cutCold>, say: Say): void {
  if ('why' in cut || !cut.ring) return say('    NO RING');
  const { closed, manifold, crossingFaces } = checkMesh(cut.mesh);
  say(
    `    quads ${RING_MM} mm wide beside ${((100 * cut.ring.quads) / cut.ring.edges).toFixed(1)} % ` +
      `of ${cut.ring.edges} edges; ${closed && manifold ? 'closed, manifold' : 'NOT CLOSED'}, ${crossingFaces} ` +
      'crossing',
  );
}

interface Timed<T> {
  value: T;
  ms: number;
}

/** Medians of a few rounds, in each of which all take their turn: what else the machine does then slows all alike. */
function timedInTurn<A, B, C>(...runs: [() => A, () => B, () => C]): [Timed<A>, Timed<B>, Timed<C>] {
  const values = runs.map((run) => run());
  const times: number[][] = runs.map(() => []);
  for (let n = 0; n < ROUNDS; n++)
    runs.forEach((run, i) => {
      const started = performance.now();
      run();
      times[i].push(performance.now() - started);
    });
  return values.map((value, i) => ({ value, ms: median(times[i]) })) as [Timed<A>, Timed<B>, Timed<C>];
}

function geometryOf(meshes: readonly PolygonMesh[]): BufferGeometry {
  const places: number[] = [];
  for (const mesh of meshes)
    for (const corner of triangulate(mesh).corners) {
      const v = 3 * mesh.faceVertices[corner];
      places.push(mesh.positions[v], mesh.positions[v + 1], mesh.positions[v + 2]);
    }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(places), 3));
  return geometry;
}

function byCsg(
  body: PolygonMesh,
  cutters: readonly PolygonMesh[],
  operation: (typeof OPERATIONS)[number],
): Float32Array {
  // it tells of an option of its own that was renamed
  console.warn = () => undefined;
  const evaluator = new Evaluator();
  evaluator.attributes = ['position'];
  evaluator.useGroups = false;
  const [a, b] = [new Brush(geometryOf([body])), new Brush(geometryOf(cutters))];
  a.updateMatrixWorld();
  b.updateMatrixWorld();
  const { geometry } = evaluator.evaluate(a, b, operation === 'subtract' ? SUBTRACTION : ADDITION);
  const { array } = geometry.toNonIndexed().getAttribute('position');
  return array as Float32Array;
}

/** Of a soup of triangles, points joined that are equal or lie in one cell of a lattice. */
function openEdges(places: Float32Array, within: number): number {
  const vertices = new Map<string, number>();
  const at = Array.from({ length: places.length / 3 }, (_, i) => {
    const key = [0, 1, 2]
      .map((k) => (within > 0 ? Math.round(places[3 * i + k] / (200 * within)) : places[3 * i + k]))
      .join(' ');
    const known = vertices.get(key) ?? vertices.size;
    vertices.set(key, known);
    return known;
  });
  const edges = new Map<string, number>();
  for (let t = 0; t < at.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [at[t + k], at[t + ((k + 1) % 3)]];
      if (a === b) continue;
      const key = a < b ? `${a} ${b}` : `${b} ${a}`;
      edges.set(key, (edges.get(key) ?? 0) + (a < b ? 1 : -1));
    }
  return [...edges.values()].filter((sum) => sum !== 0).length;
}

/** The word moved over the largest body: exact every time. */
async function tellDrag(kernels: Kernels, one: Case, yardstickMs: number, { say }: { say: Say }): Promise<void> {
  const engine = await engineFor(kernels, one.mesh);
  const cut: Edit = { kind: 'setSteps', pieceId: 'body', steps: [{ ...usualStep('cut', 'cut'), target: 'words' }] };
  const at = (n: number): Promise<Evaluated> =>
    engine.evaluate(projectOf({ ...one, liftMm: 0, from: [n, n / 2, 300] }, [cut]), 'body', quietContext).then(unwrap);
  await at(0);
  const times: number[] = [];
  for (let n = 1; n <= 10; n++) {
    const started = performance.now();
    const { clusters, remarks } = await at(n);
    times.push(performance.now() - started);
    if (clusters.length !== 1 || remarks.some(({ code }) => code === 'CUT_APART')) throw new Error('nothing was cut');
  }
  say.put('cut: dragged, p95', quantile(times, 0.95), 'ms', { n: times.length });
  say(
    `Dragged over c: ${median(times).toFixed(0)} ms, p95 ${quantile(times, 0.95).toFixed(0)} ms ` +
      `(${(quantile(times, 0.95) / yardstickMs).toFixed(0)} yardsticks)`,
  );
}

const CUTS = 200;
const WARM = 20;

async function tellMemory(kernels: Kernels, carver: Carver, say: Say): Promise<void> {
  const [, one] = cases();
  const engine = await engineFor(kernels, one.mesh);
  const words = unwrap(await engine.evaluate(projectOf(one), 'words', quietContext));
  const cutters = [pieceMesh({ ...words, clusters: words.clusters.slice(0, 4) })];
  let warm = 0;
  for (let n = 0; n < CUTS; n++) {
    if (n === WARM) warm = memory();
    cutCold(carver, one.mesh, {
      cutters,
      operation: 'subtract',
      regionOf: (_, region) => region,
      dropsLoose: false,
      cleanMm: 0,
    });
  }
  say.put('cut: memory over many cuts', (memory() - warm) / 1e6, 'MB', { n: CUTS });
  say(`Memory over ${CUTS} cuts, after the first ${WARM}: ${((memory() - warm) / 1e6).toFixed(0)} MB more`);
}

/** What stays after a collection, outside the heap too. */
function memory(): number {
  (globalThis as { gc?: () => void }).gc?.();
  return process.memoryUsage().rss;
}
