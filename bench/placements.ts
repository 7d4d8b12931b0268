import {
  checkMesh,
  Engine,
  formMesh,
  newForm,
  newPiece,
  pieceMesh,
  quietContext,
  seededRandom,
  splitGraphemes,
  Target,
  triangulate,
  unwrap,
  usualForms,
  usualStep,
  type Edit,
  type Evaluated,
  type FormShape,
  type Kernels,
  type OntoStep,
  type PolygonMesh,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import type { Say } from './figures.ts';
import { madeProject } from './madeProject.ts';

type Vec3 = [number, number, number];

const { block, ball, jug, bowl, ring, coil, shell } = usualForms();
const SADDLE: FormShape = { ...shell, acrossMm: 30, upMm: -40 };
export const FORMS: Record<string, FormShape> = { block, ball, jug, bowl, ring, coil, shell, saddle: SADDLE };
const METHODS = ['round', 'direction', 'closest'] as const;
export const WORDS = ['Kiln', 'Salt & 8', 'Row', 'glaze', 'Öfen', 'BRAQ'];
export const TOLERANCE_MM = 0.1;
/** Codes that say a placement is not as it should be, and why. */
const TOLD = new Set(['ONTO_SINKS', 'ONTO_FOLDS', 'ONTO_OVERHANGS', 'ONTO_MISSES', 'SHAPE_FOLDS', 'SHAPE_CROSSES']);

interface Placed {
  closed: boolean;
  outward: boolean;
  crossings: number;
  /** mm that anything above the root lies below the surface, and that the root lies off its place */
  sunkMm: number;
  gapMm: number;
  told: string[];
}

/**
 * Seeded placements over models of our making: what is closed, what sinks, what gapes, what crosses; and what of it was
 * told.
 */
export async function benchPlacements(kernels: Kernels, count: number, say: Say): Promise<void> {
  const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 4e8 });
  const random = seededRandom(11);
  const names = Object.keys(FORMS);
  const rows: (Placed & { name: string })[] = [];
  for (let i = 0; i < count; i++) {
    const name = names[i % names.length];
    const step = placed(FORMS[name], METHODS[Math.floor(i / names.length) % 3], random);
    const placedAs = await judge(engine, FORMS[name], step, { text: WORDS[Math.floor(random() * WORDS.length)] });
    rows.push({ name: `${i} ${name} ${step.method}`, ...placedAs });
    const bad = faultOf(placedAs);
    if (bad) say(`  ${i} ${name} ${step.method}: ${bad}; told: ${placedAs.told.join(' ') || 'nothing'}`);
  }
  const quiet = rows.filter(({ told }) => told.length === 0);
  say.put('placements: wrong and not told', rows.filter((row) => faultOf(row) !== undefined).length, 'meshes', {
    bar: 0,
    n: rows.length,
  });
  say(
    `${rows.length} placements, ${quiet.length} with nothing told: ${rows.filter(({ closed }) => closed).length} ` +
      `closed, ${quiet.filter(({ crossings }) => crossings > 0).length} cross untold, ` +
      `farthest below the surface ${Math.max(...quiet.map(({ sunkMm }) => sunkMm)).toFixed(4)} mm, largest gap ` +
      `error ${Math.max(...quiet.map(({ gapMm }) => gapMm)).toFixed(4)} mm`,
  );
}

const faultOf = ({ closed, outward, crossings, sunkMm, gapMm, told }: Placed): string | undefined => {
  if (!closed) return 'not closed and manifold';
  if (told.length > 0) return undefined;
  if (!outward) return 'inside out';
  if (crossings > 0) return `${crossings} crossing`;
  if (sunkMm > TOLERANCE_MM) return `sunk by ${sunkMm.toFixed(3)}`;
  return gapMm > TOLERANCE_MM ? `gap off by ${gapMm.toFixed(3)}` : undefined;
};

const meshes = new Map<string, PolygonMesh>();
export function meshOf(form: FormShape): PolygonMesh {
  const key = JSON.stringify(form);
  const mesh = meshes.get(key) ?? formMesh(form, TOLERANCE_MM / 4);
  meshes.set(key, mesh);
  return mesh;
}

/** Held before a place of the surface, each equally likely by area. */
export function placed(form: FormShape, method: OntoStep['method'], random: () => number): OntoStep {
  const mesh = meshOf(form);
  const { corners } = triangulate(mesh);
  const at = (i: number): Vec3 => [0, 1, 2].map((k) => mesh.positions[3 * mesh.faceVertices[corners[i]] + k]) as Vec3;
  let [point, normal, area]: [Vec3, Vec3, number] = [[0, 0, 0], [0, 0, 1], 0];
  const areas = Array.from(
    { length: corners.length / 3 },
    (_, t) => areaOf(at(3 * t), at(3 * t + 1), at(3 * t + 2)).size,
  );
  let left = random() * areas.reduce((a, b) => a + b, 0);
  let t = 0;
  while (t < areas.length - 1 && left > areas[t]) left -= areas[t++];
  const [a, b, c] = [at(3 * t), at(3 * t + 1), at(3 * t + 2)];
  const [u, v] = [random() / 2, random() / 2];
  point = a.map((p, k) => p + u * (b[k] - p) + v * (c[k] - p)) as Vec3;
  ({ normal, size: area } = areaOf(a, b, c));
  const far = method === 'closest' ? 3 : 20;
  const step = usualStep('onto', 'onto');
  return {
    ...step,
    target: 'body',
    method,
    fromMm: point.map((p, k) => p + far * normal[k]) as Vec3,
    toward: normal.map((n) => -n) as Vec3,
    up: area > 0 && Math.abs(normal[1]) > 0.9 ? [0, 0, -1] : [0, 1, 0],
    turnDegrees: Math.round(random() * 360),
  };
}

function areaOf(a: Vec3, b: Vec3, c: Vec3): { normal: Vec3; size: number } {
  const [p, q] = [b.map((v, k) => v - a[k]), c.map((v, k) => v - a[k])];
  const n = [p[1] * q[2] - p[2] * q[1], p[2] * q[0] - p[0] * q[2], p[0] * q[1] - p[1] * q[0]];
  const size = Math.hypot(...n);
  return { normal: n.map((v) => v / (size || 1)) as Vec3, size: size / 2 };
}

async function judge(engine: Engine, form: FormShape, step: OntoStep, { text }: { text: string }): Promise<Placed> {
  const words = newPiece('words', text, splitGraphemes(text));
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: 'words', values: { sizeMm: 12, anchor: 'middle' } },
    {
      kind: 'setSolid',
      pieceId: 'words',
      values: { depthMm: 3, front: { kind: 'round', inMm: 0.5, deepMm: 0.5, steps: 2, points: [] } },
    },
    { kind: 'setFaces', pieceId: 'words', values: { toleranceMm: TOLERANCE_MM } },
    { kind: 'setFaces', pieceId: 'body', values: { toleranceMm: TOLERANCE_MM / 4 } },
    { kind: 'setSteps', pieceId: 'words', steps: [step] },
  ];
  const project = madeProject('p', [words, newForm('body', 'body', form)], edits);
  const evaluated = unwrap(await engine.evaluate(project, 'words', quietContext, { crossings: true }));
  const mesh = pieceMesh(evaluated);
  const report = checkMesh(mesh);
  const target = new Target(meshOf(form));
  return {
    closed: report.closed && report.manifold,
    outward: report.outward,
    crossings: report.crossingFaces,
    ...heights(evaluated, target),
    told: [...new Set(evaluated.remarks.map(({ code }) => code).filter((code) => TOLD.has(code)))],
  };
}

/** By where points lay in the flat layout: the back is the root, all else stands above the surface. */
function heights({ clusters, flat }: Evaluated, target: Target): { sunkMm: number; gapMm: number } {
  let [sunkMm, gapMm] = [0, 0];
  const low = flat?.low[2] ?? 0;
  const root = TOLERANCE_MM + 1e-5 * target.diagonal;
  for (const { mesh } of clusters) {
    const { rest } = mesh;
    if (!rest) continue;
    for (let v = 0; v < rest.length; v += 3) {
      const high = target.heightOf([mesh.positions[v], mesh.positions[v + 1], mesh.positions[v + 2]]);
      if (rest[v + 2] > low + 0.2) sunkMm = Math.max(sunkMm, -high);
      else if (rest[v + 2] <= low) gapMm = Math.max(gapMm, Math.abs(high + root));
    }
  }
  return { sunkMm, gapMm };
}
