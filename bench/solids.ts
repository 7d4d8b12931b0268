import {
  buildSection,
  checkMesh,
  condition,
  faceAreaVectors,
  faceCount,
  findCrossings,
  flatWavefront,
  gridStep,
  lift,
  sectionLayers,
  trianglesWithArea,
  triangulate,
  type FontFace,
  type PolygonMesh,
} from '@fictile/core';
import { BASIC_LATIN, glyphRings } from './fonts.ts';
import { extrude, meshOf, shapesOf } from './three.ts';

const WIDTHS = [0.3, 2, 10, 40];
const EDGES = [
  { kind: 'chamfer', steps: 1 },
  { kind: 'round', steps: 6 },
] as const;
const DEPTH = 18;
const DEEP = 2;
const SIZE = 72;
const TOLERANCE = 0.05;

export interface Row {
  font: string;
  solids: number;
  valid: number;
  rungs: Record<string, number>;
  /** area of edges and walls, and of the quads among it */
  area: number;
  quadArea: number;
  slivers: number;
  triangles: number;
  ours: number;
  theirs: number;
  theirCrossing: number;
}

/** Every glyph at every width and kind: built by us and by the general library in turn, ours judged in full. */
export function benchFont(face: FontFace, every: number): Row {
  const row: Row = {
    font: face.name,
    solids: 0,
    valid: 0,
    rungs: {},
    area: 0,
    quadArea: 0,
    slivers: 0,
    triangles: 0,
    ours: 0,
    theirs: 0,
    theirCrossing: 0,
  };
  BASIC_LATIN.forEach((character, i) => {
    if (i % every !== 0) return;
    for (const inset of WIDTHS) for (const edge of EDGES) benchSolid(face, character, { inset, edge, row });
  });
  return row;
}

function benchSolid(
  face: FontFace,
  character: string,
  { inset, edge, row }: { inset: number; edge: (typeof EDGES)[number]; row: Row },
): void {
  const step = gridStep(200);
  const { rings, em } = glyphRings(face, character, { sizeMm: SIZE, step, toleranceMm: TOLERANCE });
  const shape = { kind: edge.kind, inMm: inset, deepMm: DEEP, steps: edge.steps };

  const start = performance.now();
  const { outline } = condition(rings, em);
  const { section } = buildSection({ depthMm: DEPTH, front: shape, back: shape, step });
  const flat = flatWavefront(outline, { layers: sectionLayers(section), capInsets: [section.inset[0]], em, seed: 1 });
  const mesh = lift(flat, { section, step });
  const middle = performance.now();
  const shapes = shapesOf(outline, step);
  const theirStart = performance.now();
  const theirs = extrude(shapes, { depth: DEPTH, inset, deep: DEEP, steps: edge.steps });
  const end = performance.now();
  row.ours += middle - start;
  row.theirs += end - theirStart;

  const report = checkMesh(mesh);
  const valid =
    report.closed && report.manifold && report.outward && report.crossingFaces === 0 && report.degenerate === 0;
  row.solids++;
  row.valid += valid ? 1 : 0;
  if (!valid) process.stdout.write(`  not valid: ${face.name} ${character} ${inset} ${edge.kind}\n`);
  row.rungs[flat.rung.kind] = (row.rungs[flat.rung.kind] ?? 0) + 1;
  row.slivers += report.slivers;
  addAreas(mesh, row);
  judgeTheirs(meshOf(theirs), row);
  theirs.dispose();
}

function addAreas(mesh: PolygonMesh, row: Row): void {
  const areas = faceAreaVectors(mesh);
  row.triangles += triangulate(mesh).face.length;
  for (let f = 0; f < faceCount(mesh); f++) {
    const { part } = mesh.regions[mesh.region[f]];
    if (part === 'front' || part === 'back') continue;
    const area = Math.hypot(areas[3 * f], areas[3 * f + 1], areas[3 * f + 2]);
    row.area += area;
    if (mesh.faceStart[f + 1] - mesh.faceStart[f] === 4) row.quadArea += area;
  }
}

function judgeTheirs(mesh: PolygonMesh, row: Row): void {
  const triangles = triangulate(mesh);
  if (findCrossings(mesh, triangles, trianglesWithArea(mesh, triangles), { limit: 1 }).pairs > 0) row.theirCrossing++;
}
