import { drawnProfile, quarterSteps, type Fineness } from './drawnProfile.ts';
import type { ProfileKnot, ProfilePoint } from './curves.ts';
import { EDGE_KINDS, edgeProfile } from './edgeKinds.ts';
import { type EdgeRow, type EdgeShape, type SideShape } from './shapes.ts';
import { sideProfile } from './sideKinds.ts';

/** From the rim to the outline, mm; none where there is no edge. */
export function edgeRows(edge: EdgeShape): EdgeRow[] {
  if (edge.kind === 'rows') return [...edge.rows];
  if (edge.kind === 'plain') return [];
  const { inMm, deepMm } = edge;
  return edgePoints(edge).map(([inward, down]) => ({ inMm: inMm * inward, downMm: deepMm * down }));
}

export const deepOf = (rows: readonly EdgeRow[]): number => (rows.length === 0 ? 0 : rows[rows.length - 1].downMm);

/** Of the depth: what edges that end level with the outline leave for the wall at most. */
export const WALL_SHARE = 0.95;

/** What needs a wall to end on. Drawn edges may come to their foot from anywhere but straight from above and inside. */
export function endsLevel({ kind }: EdgeShape, rows: readonly EdgeRow[]): boolean {
  if (kind === 'rows') return false;
  if (kind !== 'drawn') return EDGE_KINDS[kind].endsLevel;
  return rows.slice(0, -1).some(({ inMm, downMm }) => inMm <= 0 || downMm >= deepOf(rows));
}

const RIM: ProfileKnot = { in: 1, down: 0, smooth: false };
const FOOT: ProfileKnot = { in: 0, down: 1, smooth: false };

type SizedEdge = Exclude<EdgeShape, { kind: 'rows' | 'plain' }>;

function edgePoints(edge: SizedEdge): ProfilePoint[] {
  if (edge.kind === 'drawn') return drawnProfile([RIM, ...edge.points, FOOT], finenessOf(edge, edge));
  const { kind, inMm, deepMm, steps, toleranceMm } = edge;
  const { roundShare } = EDGE_KINDS[kind];
  const isCurved = toleranceMm !== undefined && roundShare !== undefined;
  return edgeProfile(kind, isCurved ? quarterSteps(roundShare * Math.max(inMm, deepMm), toleranceMm) : steps);
}

const finenessOf = (
  { steps, toleranceMm }: { steps: number; toleranceMm?: number },
  { inMm, deepMm }: { inMm: number; deepMm: number },
): Fineness => (toleranceMm === undefined ? { count: steps } : { toleranceMm, inMm, deepMm });

/**
 * From the front edge's foot to the back edge's: how far in (shares of its amount), and how far along (of `longMm`).
 */
export function sideRows(side: SideShape, longMm: number): readonly ProfilePoint[] {
  const { divisions, twistPieces = 0 } = side;
  if (side.kind === 'straight')
    return Array.from({ length: divisions + 1 }, (_, i): ProfilePoint => [0, i / divisions]);
  const rows = slopedRows(side, longMm);
  return twistPieces === 0 ? rows : withUprights(rows, twistPieces);
}

function slopedRows(side: SideShape, longMm: number): readonly ProfilePoint[] {
  const { amountMm, steps, toleranceMm } = side;
  if (side.kind === 'drawn') {
    const ends = [0, 1].map((down): ProfileKnot => ({ in: 0, down, smooth: false }));
    return drawnProfile([ends[0], ...side.points, ends[1]], finenessOf(side, { inMm: amountMm, deepMm: longMm }));
  }
  if (side.kind === 'straight') return [];
  return sideProfile(side.kind, toleranceMm === undefined ? steps : quarterSteps(amountMm, toleranceMm));
}

/** Of the way to the next row: how much of it an upright wall takes. */
const UPRIGHT_SHARE = 0.3;

/**
 * A wall stands at every row, in `pieces` in all: only walls can be twisted. Where a side goes back on itself rows stay
 * as they are.
 */
function withUprights(rows: readonly ProfilePoint[], pieces: number): ProfilePoint[] {
  return rows.flatMap(([inward, along], i): ProfilePoint[] => {
    const before = i > 0 ? rows[i - 1][1] : along;
    const after = i + 1 < rows.length ? rows[i + 1][1] : along;
    if (before > along || after < along || before === after) return [[inward, along]];
    const from = along - UPRIGHT_SHARE * (along - before);
    const to = along + UPRIGHT_SHARE * (after - along);
    const count = Math.max(1, Math.ceil((pieces * (to - from)) / (2 * UPRIGHT_SHARE)));
    return Array.from({ length: count + 1 }, (_, k): ProfilePoint => [inward, from + ((to - from) * k) / count]);
  });
}
