import { flatWavefront, type Rung } from '../solid/index.ts';
import { outlineOfRings, rectangle } from '../testing/rings.ts';
import type { Layout } from '../text/index.ts';
import type { Cluster } from './clusters.ts';
import { RungRemarks } from './rungRemarks.ts';

const layout = { letters: [{ text: 'K' }] } as unknown as Layout;
const outline = outlineOfRings(rectangle(0, 0, 1000, 1000));
const cluster = { members: [{ letter: 0 }] } as unknown as Cluster;
const plan = flatWavefront(outline, { layers: [], capInsets: [0], em: 1000, seed: 1 });
const SECTION = { inset: [0, 0], z: [0, 10], part: ['wall' as const] };

function told(rung: Rung): string[] {
  // a grid step is a thousandth of a millimetre, and a twentieth of one is the tolerance
  const remarks = new RungRemarks(layout, { step: 0.001, toleranceMm: 0.05 });
  remarks.add(cluster, { ...plan, rung }, SECTION);
  return remarks.remarks().map(({ code }) => code);
}

test('what is moved by less than a hundredth of the tolerance is told to nobody', () => {
  expect(told({ kind: 'jittered', byGridSteps: 0.4 })).toEqual([]);
  expect(told({ kind: 'opened', byGridSteps: 0.49 })).toEqual([]);
  expect(told({ kind: 'jittered', byGridSteps: 0.5 })).toEqual(['EDGE_JITTERED']);
  expect(told({ kind: 'opened', byGridSteps: 20 })).toEqual(['EDGE_OPENED']);
});

test('narrower edges are told however little narrower', () => {
  expect(told({ kind: 'narrowed', share: 0.999 })).toEqual(['EDGE_NARROWED']);
});
