import { keptBy, OnceBy, remark, spelled, type Remark, type WriteTools } from '../base/index.ts';
import { usualSlots } from '../document/index.ts';
import { usualOf } from '../fields/index.ts';
import { isStill, STILL, transformPoints } from '../math/index.ts';
import { asTriangles, faceCount, toFloat32, vertexCount, weld, type PolygonMesh } from '../mesh/index.ts';
import { FILE_FIELDS } from './fileFields.ts';
import { withFileUv } from './fileUv.ts';
import { canHold, formatOf, type MeshFormat } from './formats/index.ts';
import { levelsOf, levelSuffix } from './levels.ts';
import type { LetterLook } from './looks.ts';
import { inFrame, type FileFrame } from './orientation.ts';
import type { FilePart, ScenePart, WriteChoices, WrittenFile } from './scenePart.ts';
import { oneWord } from './writeObj.ts';

export interface WriteOptions extends WriteChoices {
  format: MeshFormat;
}

/** A way to write that needs no choices, for a format. */
export const usualWriteOptions = (format: MeshFormat, name: string): WriteOptions => ({
  format,
  name,
  ...usualOf(FILE_FIELDS),
});

/** What a file holds. */
export interface WrittenCounts {
  vertices: number;
  faces: number;
  quads: number;
}

export interface WrittenScene extends WrittenFile {
  /** coarser levels of detail in files of their own, and what comes after their names */
  coarser: (WrittenFile & { suffix: string })[];
  /** the pieces as they stand in the file */
  meshes: PolygonMesh[];
  counts: WrittenCounts;
  remarks: Remark[];
}

/** The one way from pieces to a file, for the page and the command line alike. */
export async function writeScene(
  parts: readonly ScenePart[],
  options: WriteOptions,
  tools: WriteTools = {},
): Promise<WrittenScene> {
  const count = canHold(options.format, 'levels') ? options.levels : 1;
  const levels = levelsOf(parts, count, count > 1 ? await tools.loadSimplifier?.() : undefined);
  if (count === 1 || options.levelsAs === 'files') {
    const files = await Promise.all(levels.map((level, i) => writeLevel(level, i, { options, tools })));
    const coarser = files.slice(1).map(({ bytes, mtl }, i) => ({ bytes, mtl, suffix: levelSuffix(i + 1) }));
    return { ...files[0], coarser, meshes: files.flatMap(({ meshes }) => meshes) };
  }
  const isLinked = options.levelsAs === 'linked' && canHold(options.format, 'linkedLevels');
  const named = levels.flatMap((level, i) =>
    level.map((part) => ({ ...part, name: part.name + levelSuffix(i), ...(isLinked && { level: i }) })),
  );
  return { ...(await writeParts(named, options, tools)), coarser: [] };
}

/** The finest level keeps its name; the others have names of their own, so that several can be read into one scene. */
function writeLevel(
  parts: readonly ScenePart[],
  level: number,
  { options, tools }: { options: WriteOptions; tools: WriteTools },
): Promise<OneFile> {
  if (level === 0) return writeParts(parts, options, tools);
  const suffix = levelSuffix(level);
  const named = parts.map((part) => ({ ...part, name: part.name + suffix }));
  return writeParts(named, { ...options, name: options.name + suffix }, tools);
}

type OneFile = Omit<WrittenScene, 'coarser'>;

async function writeParts(parts: readonly FilePart[], options: WriteOptions, tools: WriteTools): Promise<OneFile> {
  const { holds, write } = formatOf(options.format);
  const textured = holds.has('uv');
  let collapsed = 0;
  const made = (part: FilePart): PolygonMesh => {
    let mesh = holds.has('frame') ? inFrame(placed(part), frameOf(options)) : part.mesh;
    if (!holds.has('doubles')) {
      const rounded = toFloat32(mesh);
      mesh = rounded.mesh;
      collapsed += rounded.collapsed;
    }
    if (options.weld) mesh = weld(mesh);
    mesh = part.paints
      ? asItCame(mesh, textured)
      : withFileUv(mesh, part.letters, { space: textured ? options.uv : 'none', tileMm: options.uvTileMm });
    return options.triangles || !holds.has('polygons') ? asTriangles(mesh) : mesh;
  };
  const shared = new OnceBy<PolygonMesh, PolygonMesh>();
  const meshes = parts.map((part) =>
    holds.has('frame') ? made(part) : shared.get(part.mesh, spelled(part.letters), () => made(part)),
  );
  const remarks = collapsed > 0 ? [remark('ROUNDING_COLLAPSED', { faces: collapsed })] : [];
  const names = ownNames(parts.map((part) => part.name));
  const ready = parts.map((part, i) => ({ ...part, name: names[i], mesh: meshes[i] }));
  return { ...(await write(ready, options, tools)), meshes, counts: countsOf(meshes), remarks };
}

/** A model that keeps its materials keeps its texture coordinates. */
const asItCame = ({ uv, ...mesh }: PolygonMesh, textured: boolean): PolygonMesh =>
  textured && uv ? { ...mesh, uv } : mesh;

/** Each name once: programs take objects of one name for one object. */
function ownNames(names: readonly string[]): string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    let own = name;
    for (let i = 2; taken.has(oneWord(own)); i++) own = `${name} ${i}`;
    taken.add(oneWord(own));
    return own;
  });
}

function countsOf(meshes: readonly PolygonMesh[]): WrittenCounts {
  const sum = (count: (mesh: PolygonMesh) => number): number => meshes.reduce((total, mesh) => total + count(mesh), 0);
  return { vertices: sum(vertexCount), faces: sum(faceCount), quads: sum(quadCount) };
}

function placed({ mesh, transform }: ScenePart): PolygonMesh {
  return isStill(transform) ? mesh : { ...mesh, positions: transformPoints(transform, mesh.positions) };
}

function frameOf({ format, unit, up }: WriteOptions): FileFrame {
  return { unit, up: up === 'usual' ? usualUp(format) : up };
}

/** The axis that points up in a format when nobody chose. */
export const usualUp = (format: MeshFormat): 'y' | 'z' => formatOf(format).up;

/** One mesh alone, as clay. */
export async function writeMesh(
  mesh: PolygonMesh,
  options: WriteOptions,
  letters: readonly LetterLook[] = [],
): Promise<WrittenScene> {
  return writeScene([{ name: options.name, mesh, transform: STILL, slots: usualSlots(), letters }], options);
}

export const quadCount = keptBy((mesh: PolygonMesh): number => {
  let quads = 0;
  for (let f = 0; f < faceCount(mesh); f++) if (mesh.faceStart[f + 1] - mesh.faceStart[f] === 4) quads++;
  return quads;
});
