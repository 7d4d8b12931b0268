import { texts } from '../words/index.ts';
import { RAISED } from './cures.ts';
import type { CheckDefinition, Finding, Looked } from './definition.ts';

const isTrue = (good: boolean): Finding => ({
  figure: good ? texts.checks.yes : texts.checks.no,
  tone: good ? 'good' : 'bad',
});

/** A sheet is open on purpose; a printer can do nothing with it. */
const sheet = ({ aim }: Looked): Finding | undefined =>
  aim === 'print' ? { figure: texts.checks.no, tone: 'mind', cure: RAISED } : undefined;

/** What every mesh has to be. */
export const SOUND_CHECKS: readonly CheckDefinition[] = [
  {
    id: 'closed',
    look: (looked) => {
      const { report, isSheet } = looked;
      return isSheet ? sheet(looked) : { ...isTrue(report.closed), places: report.closed ? undefined : 'open' };
    },
  },
  // what is open on purpose has no outside
  { id: 'outward', look: ({ report, isSheet }) => (isSheet ? undefined : isTrue(report.outward)) },
  {
    id: 'manifold',
    look: ({ report }) => ({ ...isTrue(report.manifold), places: report.manifold ? undefined : 'open' }),
  },
  { id: 'crossing', look: ({ report }) => none(report.crossingFaces, 'crossing') },
  { id: 'degenerate', look: ({ report }) => none(report.degenerate, 'degenerate') },
];

const none = (figure: number, places: 'crossing' | 'degenerate'): Finding => ({
  figure,
  tone: figure === 0 ? 'good' : 'bad',
  places: figure > 0 ? places : undefined,
});
