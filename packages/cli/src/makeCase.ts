import {
  Engine,
  applyEdit,
  newPiece,
  nameOf,
  newProject,
  parseFeatures,
  quietContext,
  scenePart,
  splitGraphemes,
  usualCircle,
  usualHollow,
  usualWords,
  usualWriteOptions,
  writeScene,
  type Edit,
  type Evaluated,
  type Kernels,
  type Piece,
  type Project,
  type Remark,
  type Words,
  type WriteOptions,
  type WrittenScene,
} from '@fictile/core';
import { chooseFont } from './fontChoice.ts';
import type { Flags } from './flags.ts';
import { fault, faultOf, remarkText } from './messages.ts';
import { formatOf } from './output.ts';

const CACHE_BYTES = 128 * 1024 * 1024;

export interface CaseResult {
  file: string;
  vertices: number;
  faces: number;
  quads: number;
  seconds: number;
  remarks: Remark[];
}

/** A case's file, not written yet. */
export interface BuiltCase {
  bytes: Uint8Array;
  result: CaseResult;
}

/** One case from flags to the bytes of its file, through the same document, edits and evaluation as the application. */
export async function buildCase(flags: Flags, kernels: Kernels): Promise<BuiltCase> {
  const started = performance.now();
  if (flags.out === undefined) throw fault('FLAG_MISSING', 'There is no --out. Say which file to write.');
  if (flags.text === undefined) throw fault('FLAG_MISSING', 'There is no --text. Say which words to build.');
  const format = formatOf(flags.out);
  const font = await chooseFont(flags.font ?? 'Zilla Slab', kernels);
  const project = documentOf(flags, font.family);
  const engine = new Engine({
    kernels,
    catalogue: font.catalogue,
    loadFont: font.loadFont,
    cacheBytes: CACHE_BYTES,
    seed: flags.seed,
  });
  const [pieceId] = project.pieceOrder;
  const evaluated = await evaluatePiece(engine, project, pieceId);
  const part = scenePart(project.pieces[pieceId], evaluated);
  const written = await writeScene([part], { ...usualWriteOptions(format, part.name), ...writeChoices(flags) });
  return { bytes: written.bytes, result: resultOf(flags.out, written, evaluated.remarks, started) };
}

export function resultOf(file: string, written: WrittenScene, remarks: readonly Remark[], started: number): CaseResult {
  return {
    file,
    ...written.counts,
    seconds: Math.round(performance.now() - started) / 1000,
    remarks: [...remarks, ...written.remarks],
  };
}

/** A piece with something in it; where the solid is held back or nothing is there, the input is at fault. */
export async function evaluatePiece(engine: Engine, project: Project, pieceId: string): Promise<Evaluated> {
  const evaluated = await engine.evaluate(project, pieceId, quietContext);
  if (!evaluated.ok) throw faultOf(evaluated.error);
  if (evaluated.value.clusters.length === 0) {
    const why = evaluated.value.remarks.map(remarkText).join(' ');
    throw fault('NOTHING_BUILT', why === '' ? 'These words have no ink: nothing to build. Choose other words.' : why);
  }
  return evaluated.value;
}

function documentOf(flags: Flags, family: string): Project {
  const text = (flags.text as string).replace(/\\n/g, '\n');
  const name = nameOf(text);
  const piece = newPiece('words', name, splitGraphemes(text));
  return editsOf(flags, family, piece).reduce(
    (project, edit) => {
      const changed = applyEdit(project, edit);
      if (!changed.ok) throw faultOf(changed.error);
      return changed.value;
    },
    newProject('command-line', name, [piece]),
  );
}

function editsOf(flags: Flags, family: string, piece: Piece): Edit[] {
  const pieceId = piece.id;
  const { front } = piece.body.solid;
  const edge = {
    kind: flags.edge ?? front.kind,
    inMm: flags['edge-in'] ?? front.inMm,
    deepMm: flags['edge-deep'] ?? front.deepMm,
    steps: flags['edge-steps'] ?? front.steps,
  };
  const words: Extract<Edit, { kind: 'setWords' }>['values'] = defined({
    font: {
      family,
      weight: flags.weight ?? (family === piece.source.font.family ? piece.source.font.weight : 400),
      italic: false,
      axes: flags.axis === undefined ? {} : parseAxes(flags.axis),
    },
    sizeMm: flags.size,
    fit: fitOf(flags),
    line: lineOf(flags),
    contour: flags.outline === undefined ? undefined : { ...usualHollow(), wallMm: flags.outline },
    slantDegrees: flags.slant,
    widthPercent: flags['width-scale'],
    heightPercent: flags['height-scale'],
    align: flags.align,
    anchor: flags.anchor,
    depthAnchor: flags['depth-anchor'],
    tracking: flags.tracking,
    leadingPercent: flags.leading,
    kerning: flags.kerning === undefined ? undefined : flags.kerning === 'on',
    features: flags.features === undefined ? undefined : featuresOf(flags.features),
    language: flags.lang,
    direction: flags.direction,
    letters: flags.letters,
  });
  return [
    { kind: 'setWords', pieceId, values: words },
    {
      kind: 'setSolid',
      pieceId,
      values: defined({ depthMm: flags.depth, front: edge, backAsFront: flags['back-edge'] === 'same' }),
    },
    { kind: 'setFaces', pieceId, values: defined({ toleranceMm: flags.tolerance }) },
  ];
}

/** Without the fields that are undefined, so that they don't overwrite the usual values. */
function defined<T extends object>(values: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>;
  };
}

function fitOf(flags: Flags): Words['fit'] | undefined {
  const { 'fit-width': widthMm, 'fit-height': heightMm } = flags;
  if (widthMm !== undefined && heightMm !== undefined) return { to: 'box', widthMm, heightMm, onlyShrink: false };
  const usual = usualWords([]).fit;
  if (widthMm !== undefined) return { ...usual, to: 'width', widthMm };
  return heightMm === undefined ? undefined : { ...usual, to: 'height', heightMm };
}

function lineOf(flags: Flags): Words['line'] | undefined {
  if (flags.around !== undefined)
    return { ...usualCircle(), radiusMm: flags.around, side: flags['around-side'] ?? 'outside' };
  if (flags['around-side'] === undefined) return undefined;
  throw fault('FLAG_MISSING', '--around-side needs --around. Say the radius of the circle.');
}

/** "wght=650,wdth=80" -> { wght: 650, wdth: 80 } */
function parseAxes(text: string): Record<string, number> {
  const rows = text.split(',').filter((row) => row.trim() !== '');
  return Object.fromEntries(
    rows.map((row) => {
      const match = /^\s*([A-Za-z]{4})\s*=\s*(-?\d+(?:\.\d+)?)\s*$/.exec(row);
      if (!match)
        throw fault(
          'FLAG_VALUE',
          `--axis has "${row.trim()}"; write axes with values like "wght=650,wdth=80". Change it.`,
        );
      return [match[1], Number(match[2])];
    }),
  );
}

function featuresOf(text: string): Record<string, number> {
  const parsed = parseFeatures(text);
  if ('features' in parsed) return parsed.features;
  throw fault(
    'FLAG_VALUE',
    `--features has "${parsed.wrong}"; write tags of four letters like "liga=0,ss01". Change it.`,
  );
}

function writeChoices(flags: Flags): Partial<WriteOptions> {
  return {
    unit: flags['out-unit'] ?? 'mm',
    up: flags['out-up'] ?? 'usual',
    triangles: flags.triangles === true,
    weld: flags.weld === true,
    nodes: flags.nodes ?? 'one',
  };
}
