import { readStl } from '../readStl.ts';
import { writeStl } from '../writeStl.ts';
import { defineFormat } from './definition.ts';
import { bare } from './bare.ts';

export const stl = defineFormat({
  kind: 'stl',
  holds: new Set(['frame'] as const),
  unit: 'mm',
  up: 'z',
  write: (parts) => ({ bytes: writeStl(parts.map(({ mesh }) => mesh)), mtl: undefined }),
  read: (bytes) => bare(readStl(bytes)),
});
