import { readPly } from '../readPly.ts';
import { writePly } from '../writePly.ts';
import { bare } from './bare.ts';
import { defineFormat } from './definition.ts';

export const ply = defineFormat({
  kind: 'ply',
  holds: new Set(['polygons', 'frame'] as const),
  unit: 'mm',
  up: 'z',
  write: (parts) => ({ bytes: writePly(parts.map(({ mesh }) => mesh)), mtl: undefined }),
  read: (bytes) => bare(readPly(bytes)),
});
