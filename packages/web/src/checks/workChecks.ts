import { FEWER, FLOW, TRIANGLES } from './cures.ts';
import type { Aim, CheckDefinition, Finding, Looked, Painted } from './definition.ts';

/** Shares and counts from which a figure is to be minded. */
const FEW_QUADS = 0.95;
const MANY_POLES = 0.03;
const MANY_TRIANGLES = 30_000;
const MANY_SLIVERS = 0.01;
const MANY_LONG = 0.01;

const trianglesOf = ({ report }: Looked): number => report.triangles + 2 * report.quads + report.ngons * 3;
const flow = ({ isLaidOut }: Looked) => (isLaidOut ? undefined : FLOW);
const placed = (places: Painted, count: number): Painted | undefined => (count > 0 ? places : undefined);

/** A figure that some aims mind; for the others it is only told. */
function minded(
  aims: readonly Aim[],
  { aim }: Looked,
  isWell: boolean,
  { finding }: { finding: Omit<Finding, 'tone'> },
): Finding {
  const matters = aims.includes(aim);
  const tone = !matters ? 'plain' : isWell ? 'good' : 'mind';
  return { ...finding, tone, cure: matters && !isWell ? finding.cure : undefined };
}

const facesOver = (looked: Looked): Finding | undefined => {
  const { report, aim } = looked;
  if (aim !== 'animate' && aim !== 'game') return undefined;
  const cure = aim === 'game' ? TRIANGLES : flow(looked);
  const { ngons } = report;
  return minded([aim], looked, ngons === 0, { finding: { figure: ngons, places: placed('notQuads', ngons), cure } });
};

/** What makes a mesh good to work with, by what it is meant for. */
export const WORK_CHECKS: readonly CheckDefinition[] = [
  {
    id: 'quads',
    look: (looked) => {
      const { quadAreaShare, quads, faces } = looked.report;
      const figure = `${(quadAreaShare * 100).toFixed(1)} %`;
      const places = placed('notQuads', faces - quads);
      return minded(['animate'], looked, quadAreaShare >= FEW_QUADS, {
        finding: { figure, places, cure: flow(looked) },
      });
    },
  },
  {
    id: 'slivers',
    look: (looked) => {
      const { slivers: figure } = looked.report;
      const isWell = figure <= MANY_SLIVERS * trianglesOf(looked);
      return minded(['game', 'render'], looked, isWell, {
        finding: {
          figure,
          places: placed('slivers', figure),
          cure: flow(looked),
        },
      });
    },
  },
  {
    // they are cut into needles by whatever draws triangles, and do not bend
    id: 'long',
    look: (looked) => {
      const { longFaces: figure, faces } = looked.report;
      const isWell = figure <= MANY_LONG * faces;
      return minded(['game', 'animate'], looked, isWell, {
        finding: {
          figure,
          places: placed('long', figure),
          cure: flow(looked),
        },
      });
    },
  },
  {
    id: 'poles',
    look: (looked) => {
      const { poles, inner } = looked.report.figures;
      if (looked.aim !== 'animate') return undefined;
      const isWell = inner === 0 || poles / inner <= MANY_POLES;
      return minded(['animate'], looked, isWell, { finding: { figure: poles, places: placed('poles', poles) } });
    },
  },
  {
    id: 'triangles',
    look: (looked) => {
      if (looked.aim !== 'game') return undefined;
      const count = trianglesOf(looked);
      return minded(['game'], looked, count <= MANY_TRIANGLES, {
        finding: { figure: count.toLocaleString('en'), cure: FEWER },
      });
    },
  },
  { id: 'ngons', look: facesOver },
  {
    id: 'size',
    look: ({ report, aim }) =>
      aim === 'animate' ? { figure: `${Number(report.edgeMm.longest.toPrecision(3))} mm`, tone: 'plain' } : undefined,
  },
  {
    id: 'bent',
    look: (looked) => {
      const { bent } = looked.report.figures;
      if (looked.aim !== 'game' && looked.aim !== 'render') return undefined;
      return minded(['game', 'render'], looked, bent === 0, {
        finding: {
          figure: bent,
          places: placed('bent', bent),
          cure: TRIANGLES,
        },
      });
    },
  },
];
