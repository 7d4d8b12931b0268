import { ok } from '../../base/index.ts';
import { readGlb } from '../readGlb.ts';
import { writeGlb } from '../writeGlb.ts';
import { defineFormat } from './definition.ts';

/** Always metres with y up (glTF 2.0, 3.4). */
export const glb = defineFormat({
  kind: 'glb',
  holds: new Set(['uv', 'tangents', 'levels', 'linkedLevels', 'nodes', 'paints'] as const),
  unit: 'm',
  up: 'y',
  write: async (parts, choices, { loadTangents }) => {
    if (choices.tangents && !loadTangents) throw new Error('nothing was handed in that makes tangents');
    const tangents = choices.tangents ? await loadTangents?.() : undefined;
    return { bytes: await writeGlb(parts, { ...choices, tangents }), mtl: undefined };
  },
  read: async (bytes, unpacker, options) => {
    const read = await readGlb(bytes, unpacker, options);
    if (!read.ok) return read;
    const { mesh, nodes, materials, paints, levels } = read.value;
    return ok({ mesh, names: nodes, finishes: materials, paints, levels });
  },
});
