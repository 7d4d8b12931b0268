import type { LaidPaint, MeshReport, Piece, PlaceKind, ShownPiece } from '@fictile/core';
import { texts } from '../words/index.ts';

/** What a mesh is meant for: it decides which figures matter. */
export type Aim = 'print' | 'game' | 'render' | 'animate';
export type Tone = 'good' | 'bad' | 'mind' | 'plain';
/** What one press can do about a figure. */
export type Cure = 'flow' | 'triangles' | 'reduce' | 'depth';

/** What can be painted on a model: places that a check is about, or how laid lettering differs from flat one. */
export type Painted = PlaceKind | LaidPaint;

export const isLaidPaint = (what: Painted): what is LaidPaint => what in texts.checks.laid;

export interface Row {
  id: string;
  label: string;
  figure: string;
  tone: Tone;
  places?: Painted;
  cure?: Cure;
}

/** Shares and counts from which a figure is to be minded. */
const FEW_QUADS = 0.95;
const MANY_POLES = 0.03;
const MANY_TRIANGLES = 30_000;
const MANY_SLIVERS = 0.01;
const MANY_LONG = 0.01;

const number = (n: number): string => (n === 0 ? texts.checks.none : n.toLocaleString('en'));

/** What is known of a mesh besides its report. */
export interface Subject {
  /** open on purpose */
  isSheet: boolean;
  /** its faces are laid out already, or steps would undo what another style does */
  isLaidOut: boolean;
}

export const subjectOf = ({ body, steps }: Piece): Subject => ({
  isSheet: body.solid.depthMm === 0,
  isLaidOut: body.faces.style === 'flow' || steps.some((step) => step.on),
});

/** The report as rows with verdicts, for what the mesh is meant for. */
export function judge(report: MeshReport, { isSheet, isLaidOut }: Subject, aim: Aim): Row[] {
  const seen = new Set<Cure>();
  // one press cures all that it can cure: it is offered once
  return [...soundRows(report, isSheet, aim), ...workRows(report, isLaidOut, aim)].map((row) => {
    if (!row.cure || !seen.has(row.cure)) {
      if (row.cure) seen.add(row.cure);
      return row;
    }
    return { ...row, cure: undefined };
  });
}

/** Of lettering on a model: how true it is to the flat one. */
export function ontoRows(onto: ShownPiece['onto']): Row[] {
  if (!onto?.report) return [];
  const t = texts.checks;
  const { lengthPercent, angleDegrees, beside, sunk, floating } = onto.report;
  const row = (what: LaidPaint, figure: string, isMuch: boolean): Row => ({ id: what, label: t.laid[what], figure, tone: isMuch ? 'mind' : 'plain', places: what });
  return [
    row('length', t.within(lengthPercent.toFixed(1)), lengthPercent > MUCH_PERCENT),
    row('angle', t.withinDegrees(angleDegrees.toFixed(1)), angleDegrees > MUCH_DEGREES),
    ...(beside > 0 ? [row('beside', t.lettersCount(beside), true)] : []),
    ...(sunk > 0 ? [row('sunk', t.lettersCount(sunk), true)] : []),
    ...(floating > 0 ? [row('floating', t.lettersCount(floating), true)] : []),
  ];
} // prettier-ignore

/** Of lengths: more is seen. */
const MUCH_PERCENT = 10;
/** Of right angles. */
const MUCH_DEGREES = 5;

function soundRows(report: MeshReport, isSheet: boolean, aim: Aim): Row[] {
  const t = texts.checks;
  const yesNo = (id: 'closed' | 'outward' | 'manifold', good: boolean): Row => ({ id, label: t[id], figure: good ? t.yes : t.no, tone: good ? 'good' : 'bad', ...(!good && id !== 'outward' ? { places: 'open' } : {}) });
  const none = (id: 'crossing' | 'degenerate', count: number): Row => ({ id, label: t[id], figure: number(count), tone: count === 0 ? 'good' : 'bad', ...(count > 0 ? { places: id } : {}) });
  // a sheet is open on purpose, and so has no outside; a printer can do nothing with it
  const sheet: Row[] = aim === 'print' ? [{ id: 'closed', label: t.closed, figure: t.no, tone: 'mind', cure: 'depth' }] : [];
  const closed = isSheet ? sheet : [yesNo('closed', report.closed), yesNo('outward', report.outward)];
  return [...closed, yesNo('manifold', report.manifold), none('crossing', report.crossingFaces), none('degenerate', report.degenerate)];
} // prettier-ignore

function workRows(report: MeshReport, isLaidOut: boolean, aim: Aim): Row[] {
  const t = texts.checks;
  const { figures, quadAreaShare, ngons, slivers, longFaces } = report;
  const triangles = report.triangles + 2 * report.quads + report.ngons * 3;
  const tone = (matters: boolean, isWell: boolean): Tone => (!matters ? 'plain' : isWell ? 'good' : 'mind');
  const manySlivers = slivers > MANY_SLIVERS * triangles;
  const manyLong = longFaces > MANY_LONG * report.faces;
  const poleShare = figures.inner > 0 ? figures.poles / figures.inner : 0;
  const cureFlow = isLaidOut ? {} : ({ cure: 'flow' } as const);
  const rows: Row[] = [
    {
      id: 'quads',
      label: t.quads,
      figure: `${(quadAreaShare * 100).toFixed(1)} %`,
      tone: tone(aim === 'animate', quadAreaShare >= FEW_QUADS),
      ...(report.quads < report.faces ? { places: 'notQuads' } : {}),
      ...(aim === 'animate' && quadAreaShare < FEW_QUADS ? cureFlow : {}),
    },
    {
      id: 'slivers',
      label: t.slivers,
      figure: number(slivers),
      tone: tone(aim === 'game' || aim === 'render', !manySlivers),
      ...(slivers > 0 ? { places: 'slivers' } : {}),
      ...((aim === 'game' || aim === 'render') && manySlivers ? cureFlow : {}),
    },
    {
      // they are cut into needles by whatever draws triangles, and do not bend
      id: 'long',
      label: t.long,
      figure: number(longFaces),
      tone: tone(aim === 'game' || aim === 'animate', !manyLong),
      ...(longFaces > 0 ? { places: 'long' } : {}),
      ...((aim === 'game' || aim === 'animate') && manyLong ? cureFlow : {}),
    },
  ];
  if (aim === 'animate') {
    rows.push(
      { id: 'poles', label: t.poles, figure: number(figures.poles), tone: tone(true, poleShare <= MANY_POLES), ...(figures.poles > 0 ? { places: 'poles' } : {}) },
      { id: 'ngons', label: t.ngons, figure: number(ngons), tone: tone(true, ngons === 0), ...(ngons > 0 ? { places: 'notQuads', ...cureFlow } : {}) },
      { id: 'size', label: t.size, figure: `${Number(report.edgeMm.longest.toPrecision(3))} mm`, tone: 'plain' },
    );
  }
  if (aim === 'game') {
    rows.push(
      { id: 'triangles', label: t.triangles, figure: triangles.toLocaleString('en'), tone: tone(true, triangles <= MANY_TRIANGLES), ...(triangles > MANY_TRIANGLES ? { cure: 'reduce' } : {}) },
      { id: 'ngons', label: t.ngons, figure: number(ngons), tone: tone(true, ngons === 0), ...(ngons > 0 ? { places: 'notQuads', cure: 'triangles' } : {}) },
    );
  }
  if (aim === 'game' || aim === 'render') {
    rows.push({ id: 'bent', label: t.bent, figure: number(figures.bent), tone: tone(true, figures.bent === 0), ...(figures.bent > 0 ? { places: 'bent', cure: 'triangles' } : {}) });
  }
  return rows;
} // prettier-ignore

/** Bad outweighs what is only to be minded. */
export function verdictOf(rows: readonly Pick<Row, 'tone'>[]): Tone {
  if (rows.some(({ tone }) => tone === 'bad')) return 'bad';
  return rows.some(({ tone }) => tone === 'mind') ? 'mind' : 'good';
}
