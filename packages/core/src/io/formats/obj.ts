import { ok, utf8Text } from '../../base/index.ts';
import { MaterialNames } from '../materialNames.ts';
import { readObjLevel } from '../readObj.ts';
import { writeMtl } from '../writeMtl.ts';
import { oneWord, writeObj } from '../writeObj.ts';
import { defineFormat } from './definition.ts';

/** What the file of materials beside an OBJ must be called: the OBJ names it. */
export const materialsFileName = (name: string): string => `${oneWord(name)}.mtl`;

export const obj = defineFormat({
  kind: 'obj',
  holds: new Set(['lines', 'polygons', 'doubles', 'frame', 'uv', 'levels', 'materials'] as const),
  unit: 'mm',
  up: 'y',
  write: (parts, { materials, name }) => {
    if (!materials) return { bytes: writeObj(parts), mtl: undefined };
    const names = new MaterialNames();
    const file = materialsFileName(name);
    return { bytes: writeObj(parts, { materials: { file, names } }), mtl: writeMtl(names) };
  },
  read: (bytes, _unpacker, { level = 0 }) => {
    const read = readObjLevel(bytes, level);
    return read.ok ? ok({ ...read.value, ...namesIn(bytes) }) : read;
  },
});

function namesIn(bytes: Uint8Array): { names: string[]; finishes: string[] } {
  const lines = utf8Text(bytes).split('\n');
  const after = (word: string): string[] => {
    const found = lines.filter((line) => line.startsWith(`${word} `)).map((line) => line.slice(word.length + 1));
    return [...new Set(found)];
  };
  return { names: after('o'), finishes: after('usemtl') };
}
