import { createHash } from 'node:crypto';
import {
  boxOfPoints,
  diagonalOf,
  middleOfBox,
  MM_PER,
  newModel,
  ownWay,
  parseLength,
  plus,
  readModel,
  remark,
  unit as unitOf,
  usualFrame,
  usualStep,
  type Kernels,
  type LengthUnit,
  type ModelFrame,
  type ModelPiece,
  type OntoStep,
  type Remark,
  type Vec3,
} from '@fictile/core';
import type { FlagName, Flags } from './flags.ts';
import { readGiven } from './givenFile.ts';
import { fault, faultOf } from './messages.ts';
import { formatOf } from './output.ts';

/** A model that lettering is laid onto, and the step that does it. */
export interface OntoCase {
  model: ModelPiece;
  step: OntoStep;
  frame: ModelFrame;
  remarks: Remark[];
  loadModel(hash: string): Promise<Uint8Array | undefined>;
}

const BELONGS: readonly FlagName[] = ['method', 'from', 'toward', 'up', 'lift', 'guide', 'overhang', 'rigid', 'turn', 'in-unit', 'in-up']; // prettier-ignore

const METHODS = { project: 'direction', nearest: 'closest', wrap: 'round' } as const;

/** What --onto and the flags that go with it say; undefined without it. */
export async function ontoCase(flags: Flags, { loadUnpacker }: Kernels): Promise<OntoCase | undefined> {
  const { onto: path } = flags;
  if (path === undefined) {
    const stray = BELONGS.find((name) => flags[name] !== undefined);
    if (stray) throw fault('FLAG_VALUE', `--${stray} says nothing without --onto. Give both, or leave it out.`);
    return undefined;
  }
  const format = formatOf(path);
  const usual = usualFrame(format);
  const frame: ModelFrame = { ...usual, unit: flags['in-unit'] ?? usual.unit, up: flags['in-up'] ?? usual.up };
  const bytes = await readGiven(path, `The model ${path}`);
  const read = await readModel(bytes, frame, loadUnpacker);
  if (!read.ok) throw faultOf(read.error);
  const hash = createHash('sha256').update(bytes).digest('hex');
  const model = newModel('model', path, { asset: hash, ...frame });
  const positions = read.value.mesh.positions;
  const step: OntoStep = { ...usualStep('onto', 'onto'), target: model.id, ...holdOf(flags, frame, positions), ...choicesOf(flags) };
  const { openEdges, badEdges } = read.value;
  const remarks = openEdges + badEdges > 0 ? [remark('MODEL_OPEN', { openEdges, badEdges })] : [];
  return { model, step, frame, remarks, loadModel: (wanted) => Promise.resolve(wanted === hash ? bytes : undefined) };
} // prettier-ignore

function choicesOf(flags: Flags): Partial<OntoStep> {
  return {
    method: METHODS[flags.method ?? 'wrap'],
    liftMm: flags.lift ?? 0,
    turnDegrees: flags.turn ?? 0,
    guide: flags.guide ?? 'straight',
    overhang: flags.overhang ?? 'straight',
    rigid: flags.rigid === true,
  };
}

/** From the file's own axes to ours. Without --from the words are held before the middle of the model's box. */
function holdOf(flags: Flags, { unit, up: axis }: ModelFrame, positions: Float64Array): Pick<OntoStep, 'fromMm' | 'toward' | 'up'> {
  const toward = flags.toward === undefined ? ([0, 0, -1] as Vec3) : ownWay(triple('toward', flags.toward, Number), axis);
  const up = flags.up === undefined ? ([0, 1, 0] as Vec3) : ownWay(triple('up', flags.up, Number), axis);
  for (const [name, way] of [['toward', toward], ['up', up]] as const)
    if (way.every((v) => v === 0)) throw fault('FLAG_VALUE', `--${name} is 0,0,0: that is no direction. Change it.`);
  const fromMm = flags.from === undefined ? before(positions, toward) : ownWay(triple('from', flags.from, placeIn(unit)), axis);
  return { fromMm, toward, up };
} // prettier-ignore

/** A place outside a model, looking at the middle of its box. */
function before(positions: Float64Array, toward: Vec3): Vec3 {
  const box = boxOfPoints(positions);
  return plus(middleOfBox(box), unitOf(toward), -diagonalOf(box));
}

/** Three numbers with commas between, each read by `read`. */
function triple(name: string, raw: string, read: (part: string) => number | undefined): Vec3 {
  const values = raw.split(',').map((part) => (part.trim() === '' ? NaN : (read(part) ?? NaN)));
  if (values.length === 3 && values.every(Number.isFinite)) return values as Vec3;
  throw fault('FLAG_VALUE', `--${name} is "${raw}"; it takes three numbers like "0,0,-1". Change it.`);
}

/** Plain numbers count as the model's file does. */
const placeIn =
  (unit: LengthUnit) =>
  (part: string): number | undefined =>
    Number.isFinite(Number(part)) ? Number(part) * MM_PER[unit] : parseLength(part);
