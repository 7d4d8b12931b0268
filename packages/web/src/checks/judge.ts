import { isLaidOut, type LaidPaint, type MeshReport, type Piece, type ShownPiece } from '@fictile/core';
import { texts } from '../words/index.ts';
import type { Aim, CheckCure, Painted, Subject, Tone } from './definition.ts';
import { CHECK_LIST } from './list.ts';

export const isLaidPaint = (what: Painted): what is LaidPaint => what in texts.checks.laid;

export interface Row {
  id: string;
  label: string;
  figure: string;
  tone: Tone;
  places?: Painted | undefined;
  cure?: CheckCure | undefined;
}

const told = (figure: number | string): string => {
  if (typeof figure === 'string') return figure;
  return figure === 0 ? texts.checks.none : figure.toLocaleString('en');
};

export const subjectOf = ({ body, steps }: Piece): Subject => ({
  isSheet: body.solid.depthMm === 0,
  isLaidOut: isLaidOut(body.faces) || steps.some((step) => step.on),
});

const NAMES: Readonly<Record<string, string>> = texts.checks.names;

/** The report as rows with verdicts, for what the mesh is meant for. */
export function judge(report: MeshReport, subject: Subject, aim: Aim): Row[] {
  const offered = new Set<string>();
  return CHECK_LIST.flatMap(({ id, look }): Row[] => {
    const finding = look({ report, aim, ...subject });
    if (!finding) return [];
    const { cure } = finding;
    // one press cures all that it can cure: it is offered once
    const isNew = cure && !offered.has(cure.id);
    if (cure) offered.add(cure.id);
    return [{ ...finding, id, label: NAMES[id], figure: told(finding.figure), cure: isNew ? cure : undefined }];
  });
}

/** Of lettering on a model: how true it is to the flat one. */
export function ontoRows(onto: ShownPiece['onto']): Row[] {
  if (!onto?.report) return [];
  const t = texts.checks;
  const { lengthPercent, angleDegrees, beside, sunk, floating } = onto.report;
  const row = (what: LaidPaint, figure: string, isMuch: boolean): Row => ({
    id: what,
    label: t.laid[what],
    figure,
    tone: isMuch ? 'mind' : 'good',
    places: what,
  });
  return [
    row('length', t.within(lengthPercent.toFixed(1)), lengthPercent > MUCH_PERCENT),
    row('angle', t.withinDegrees(angleDegrees.toFixed(1)), angleDegrees > MUCH_DEGREES),
    ...(beside > 0 ? [row('beside', t.lettersCount(beside), true)] : []),
    ...(sunk > 0 ? [row('sunk', t.lettersCount(sunk), true)] : []),
    ...(floating > 0 ? [row('floating', t.lettersCount(floating), true)] : []),
  ];
}

/** Of lengths: more is seen. */
export const MUCH_PERCENT = 10;
/** Of right angles. */
const MUCH_DEGREES = 5;

/** Bad outweighs what is only to be minded. */
export function verdictOf(rows: readonly Pick<Row, 'tone'>[]): Tone {
  if (rows.some(({ tone }) => tone === 'bad')) return 'bad';
  return rows.some(({ tone }) => tone === 'mind') ? 'mind' : 'good';
}
