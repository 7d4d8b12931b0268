import { jest } from '@jest/globals';
import { defineFormat } from '../io/formats/definition.ts';

// A kind of mesh file that is only written, so that tests can look at what follows from it.

/** Places one a line, and nothing else. */
const dots = defineFormat({
  kind: 'dots',
  holds: new Set(['polygons', 'frame'] as const),
  unit: 'mm',
  up: 'z',
  write: (parts) => {
    const rows = parts.flatMap(({ mesh: { positions: p } }) =>
      Array.from({ length: p.length / 3 }, (_, v) => `${p[3 * v]} ${p[3 * v + 1]} ${p[3 * v + 2]}`),
    );
    return { bytes: new TextEncoder().encode(rows.join('\n')), mtl: undefined };
  },
});

/** Puts it into the one list of formats, before anything else is loaded. */
export async function withNewFormat(): Promise<void> {
  const { FORMAT_LIST } = await import('../io/formats/list.ts');
  jest.unstable_mockModule('../io/formats/list.ts', () => ({ FORMAT_LIST: [...FORMAT_LIST, dots] }));
}
