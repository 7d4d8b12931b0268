import { createHash } from 'node:crypto';
import {
  boxOfPoints,
  MM_PER,
  modelRemarks,
  newModel,
  ownWay,
  parseLength,
  readModel,
  usualFrame,
  type Box3,
  type Kernels,
  type LengthUnit,
  type ModelFrame,
  type ModelPiece,
  type PolygonMesh,
  type Remark,
  type Vec3,
} from '@fictile/core';
import type { Flags } from './flags.ts';
import { readGiven } from './givenFile.ts';
import { fault, faultOf } from './messages.ts';
import { formatOf } from './output.ts';

/** A model that was given, as a piece, and what has to be known to name places on it. */
export interface GivenModel {
  piece: ModelPiece;
  frame: ModelFrame;
  mesh: PolygonMesh;
  box: Box3;
  bytes: Uint8Array;
  remarks: Remark[];
}

export async function givenModel(path: string, flags: Flags, { loadUnpacker }: Kernels): Promise<GivenModel> {
  const format = formatOf(path);
  const usual = usualFrame(format);
  const closed = flags['close-holes'] === true;
  const frame: ModelFrame = { ...usual, unit: flags['in-unit'] ?? usual.unit, up: flags['in-up'] ?? usual.up, closed };
  const bytes = await readGiven(path, `The model ${path}`);
  const read = await readModel(bytes, frame, loadUnpacker);
  if (!read.ok) throw faultOf(read.error);
  const { mesh } = read.value;
  return {
    piece: newModel(`model ${path}`, path, { asset: createHash('sha256').update(bytes).digest('hex'), ...frame }),
    frame,
    mesh,
    box: boxOfPoints(mesh.positions),
    bytes,
    remarks: modelRemarks(read.value, { isClosed: closed }),
  };
}

/** A direction as in the model's file, in our axes. */
export function wayFlag(name: 'toward' | 'up' | 'normal', raw: string, { up }: ModelFrame): Vec3 {
  const way = ownWay(triple(name, raw, Number), up);
  if (way.every((v) => v === 0)) throw fault('FLAG_VALUE', `--${name} is 0,0,0: that is no direction. Change it.`);
  return way;
}

/** A place as in the model's file, in our axes, mm. Plain numbers count as the file does. */
export const placeFlag = (name: 'from' | 'place' | 'guide-through', raw: string, { unit, up }: ModelFrame): Vec3 =>
  ownWay(triple(name, raw, placeIn(unit)), up);

/** Three numbers with commas between, each read by `read`. */
function triple(name: string, raw: string, read: (part: string) => number | undefined): Vec3 {
  const values = raw.split(',').map((part) => (part.trim() === '' ? NaN : (read(part) ?? NaN)));
  if (values.length === 3 && values.every(Number.isFinite)) return values as Vec3;
  throw fault('FLAG_VALUE', `--${name} is "${raw}"; it takes three numbers like "0,0,-1". Change it.`);
}

const placeIn =
  (unit: LengthUnit) =>
  (part: string): number | undefined =>
    Number.isFinite(Number(part)) ? Number(part) * MM_PER[unit] : parseLength(part);
