import {
  checkMesh,
  Engine,
  newForm,
  newModel,
  newPiece,
  pieceMesh,
  quietContext,
  splitGraphemes,
  toFloat32,
  unwrap,
  usualStep,
  writeScene,
  usualWriteOptions,
  STILL,
  type CutStep,
  type Edit,
  type Kernels,
  type OntoStep,
  type Piece,
  type PolygonMesh,
  type Words,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { FORMS, meshOf, placed, TOLERANCE_MM, WORDS } from './placements.ts';
import type { Say } from './figures.ts';
import { seeded } from './seeded.ts';
import { madeProject } from './madeProject.ts';

const METHODS = ['round', 'direction', 'flat'] as const;
const OPERATIONS = ['engrave', 'raise', 'through', 'imprint', 'join', 'subtract', 'intersect'] as const;
const FONTS = ['Zilla Slab', 'Work Sans', 'Bodoni Moda', 'Pacifico', 'Recursive', 'Josefin Sans'];
const SOFT_MM = [0, 0.1, 0.4, 1, 4];
const RING_MM = [0, 0.3, 2];

interface Verdict {
  isSound: boolean;
  told: string[];
  what: string;
}

/**
 * Seeded placements over forms, fonts, operations and rims, then broken models: what is closed and crosses nothing, in
 * 64 and in 32 bit, and what of the rest was told.
 */
export async function benchCutPlacements(kernels: Kernels, count: number, say: Say): Promise<void> {
  const { chance: random, pick } = seeded(23);
  const names = Object.keys(FORMS);
  const engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 4e8 });
  const verdicts: Verdict[] = [];
  for (let i = 0; i < count; i++) {
    const name = names[i % names.length];
    const method = METHODS[Math.floor(i / names.length) % METHODS.length];
    const onto: OntoStep = { ...placed(FORMS[name], method === 'flat' ? 'direction' : method, random), method };
    const cut: Partial<CutStep> = {
      operation: OPERATIONS[i % OPERATIONS.length],
      sinkMm: 0.3 + 2 * random(),
      softMm: pick(SOFT_MM),
      softSide: pick(['outward', 'inward']),
      ringMm: pick(RING_MM),
    };
    const font: Words['font'] = { family: pick(FONTS), weight: 700, italic: false, axes: {} };
    const verdict = await judge(engine, newForm('body', name, FORMS[name]), { onto, cut, font, text: pick(WORDS) });
    verdicts.push({
      ...verdict,
      what:
        `${i} ${name} ${method} ${cut.operation} ${font.family} rim ${cut.softMm} ` +
        `ring ${cut.ringMm}: ${verdict.what}`,
    });
  }
  tell('placements', verdicts, say);
  const broken: Verdict[] = [];
  for (let i = 0; i < BROKEN.length * 5; i++) {
    const mesh = BROKEN[i % BROKEN.length].break(meshOf(FORMS.ball), random);
    broken.push({ ...(await judgeBroken(kernels, mesh, i)), what: `${i} ${BROKEN[i % BROKEN.length].name}` });
  }
  tell('broken models', broken, say);
}

function tell(name: string, verdicts: readonly Verdict[], say: Say): void {
  const bad = verdicts.filter(({ isSound, told }) => !isSound && told.length === 0);
  say(
    `${verdicts.length} ${name}: ${verdicts.filter(({ isSound }) => isSound).length} ` +
      `sound, ${verdicts.filter(({ isSound, told }) => !isSound && told.length > 0).length} not and ` +
      `told, ${bad.length} silent failures`,
  );
  say.put(`cut ${name}: neither sound nor told`, bad.length, 'meshes', { bar: 0, n: verdicts.length });
  const codes = new Map<string, number>();
  for (const { told } of verdicts) for (const code of told) codes.set(code, (codes.get(code) ?? 0) + 1);
  say(`  told: ${[...codes].map(([code, n]) => `${code} ${n}`).join(', ') || 'nothing'}`);
  for (const { what, isSound, told } of verdicts) if (!isSound || told.includes('CUT_LEFT_OUT')) say(`  ${what}`);
}

interface Let {
  onto: OntoStep;
  cut: Partial<CutStep>;
  font: Words['font'];
  text: string;
}

async function judge(engine: Engine, body: Piece, { onto, cut, font, text }: Let): Promise<Verdict> {
  const words = newPiece('words', text, splitGraphemes(text));
  const edits: Edit[] = [
    { kind: 'setWords', pieceId: 'words', values: { font, sizeMm: 12, anchor: 'middle' } },
    {
      kind: 'setSolid',
      pieceId: 'words',
      values: { depthMm: 3, front: { kind: 'round', inMm: 0.3, deepMm: 0.3, steps: 2, points: [] } },
    },
    { kind: 'setFaces', pieceId: 'words', values: { toleranceMm: TOLERANCE_MM } },
    { kind: 'setFaces', pieceId: 'body', values: { toleranceMm: TOLERANCE_MM / 4 } },
    { kind: 'setSteps', pieceId: 'words', steps: [{ ...onto, target: 'body' }] },
    { kind: 'setSteps', pieceId: 'body', steps: [{ ...usualStep('cut', 'cut'), target: 'words', ...cut }] },
  ];
  const project = madeProject('p', [words, body], edits);
  const evaluated = unwrap(await engine.evaluate(project, 'body', quietContext, { crossings: true }));
  const told = [...new Set(evaluated.remarks.map(({ code }) => code))];
  const mesh = pieceMesh(evaluated);
  const [exact, rounded] = [mesh, toFloat32(mesh).mesh].map(fault);
  return {
    isSound: !exact && !rounded,
    told,
    what: `${exact ?? 'sound'}; in 32 bit ${rounded ?? 'sound'}; told: ${told.join(' ') || 'nothing'}`,
  };
}

function fault(mesh: PolygonMesh): string | undefined {
  const report = checkMesh(mesh);
  if (!report.closed || !report.manifold) return 'not closed and manifold';
  if (!report.outward) return 'inside out';
  return report.crossingFaces > 0 ? `${report.crossingFaces} crossing` : undefined;
}

const withFaces = (mesh: PolygonMesh, faces: readonly (readonly number[])[]): PolygonMesh => {
  const starts = [0];
  for (const face of faces) starts.push(starts[starts.length - 1] + face.length);
  return {
    ...mesh,
    faceStart: Uint32Array.from(starts),
    faceVertices: Uint32Array.from(faces.flat()),
    sharp: new Uint8Array(starts[faces.length]),
    region: new Uint32Array(faces.length),
  };
};
const facesOf = ({ faceStart, faceVertices }: PolygonMesh): number[][] =>
  Array.from({ length: faceStart.length - 1 }, (_, f) => [...faceVertices.subarray(faceStart[f], faceStart[f + 1])]);

type Break = (mesh: PolygonMesh, random: () => number) => PolygonMesh;
const BROKEN: { name: string; break: Break }[] = [
  {
    name: 'faces missing',
    break: (mesh, random) =>
      withFaces(
        mesh,
        facesOf(mesh).filter(() => random() > 0.02),
      ),
  },
  {
    name: 'faces turned',
    break: (mesh, random) =>
      withFaces(
        mesh,
        facesOf(mesh).map((face) => (random() > 0.02 ? face : face.reverse())),
      ),
  },
  {
    name: 'faces doubled',
    break: (mesh, random) =>
      withFaces(
        mesh,
        facesOf(mesh).flatMap((face) => (random() > 0.02 ? [face] : [face, [...face]])),
      ),
  },
  {
    name: 'points moved through the far side',
    break: (mesh, random) => ({ ...mesh, positions: mesh.positions.map((v) => (random() > 0.001 ? v : -1.5 * v)) }),
  },
];

async function judgeBroken(kernels: Kernels, mesh: PolygonMesh, i: number): Promise<Verdict> {
  const part = { name: 'body', mesh, transform: STILL, slots: newPiece('p', 'p', []).slots, letters: [] };
  const { bytes } = await writeScene([part], usualWriteOptions('obj', 'body'));
  const engine = new Engine({
    kernels,
    catalogue: SHIPPED_FONTS,
    loadFont: readFont,
    loadModel: () => Promise.resolve(bytes),
    cacheBytes: 2e8,
  });
  const body = newModel('body', 'body', {
    asset: `${i}`.padStart(64, 'a'),
    format: 'obj',
    unit: 'mm',
    up: 'y',
    scalePercent: 100,
    closed: i % 2 === 1,
    paint: 'finish',
    sides: 'own',
  });
  const onto: OntoStep = { ...usualStep('onto', 'onto'), method: 'direction', fromMm: [0, 80, 300] };
  const font: Words['font'] = { family: 'Zilla Slab', weight: 700, italic: false, axes: {} };
  return judge(engine, body, { onto, cut: { sinkMm: 1.5 }, font, text: 'Row' });
}
