import { choice, count } from '../fields/index.ts';
import { edgeOfWire, wireEdge } from '../solid/index.ts';
import { defineContour } from './definition.ts';
import { wall } from './wall.ts';

/** A wire bent along them. */
export const wireContour = defineContour({
  kind: 'wire',
  fields: {
    /** across; a wire's depth too */
    thickMm: wall(4),
    /** a regular polygon, or four times the shape of the front edge */
    section: choice(['polygon', 'edge']),
    /** of a polygon, with flat sides in front, behind and outside */
    sides: count(4, 64, { usual: 16, step: 4, multipleOf: 4 }),
    /** of open paths */
    ends: choice(['round', 'square']),
  },
  bands: ({ thickMm }) => ({ outward: thickMm / 2, wide: thickMm, count: 1, gap: 0, join: 'round' }),
  growsAsSolid: false,
  rod({ thickMm, section, sides }, front) {
    const isOfEdge = section === 'edge';
    return { thickMm, isOfEdge, edge: isOfEdge ? edgeOfWire(thickMm, front) : wireEdge(thickMm, sides) };
  },
});
