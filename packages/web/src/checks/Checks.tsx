import { UnstyledButton } from '@mantine/core';
import type { MeshReport, PlaceKind, Project } from '@fictile/core';
import type { MarkedPlaces } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';
import classes from './Checks.module.css';
import { useReport } from './useReport.ts';

interface ChecksProps {
  client: JobClient | undefined;
  project: Project;
  pieceId: string | undefined;
  /** what is painted on the model now */
  shown: PlaceKind | undefined;
  onShow: (what: PlaceKind, places: MarkedPlaces | undefined) => void;
}

type Tone = 'good' | 'bad' | 'plain';
type Row = [label: string, figure: string, tone: Tone, places?: PlaceKind];

/** Whether the piece's mesh is sound, always up to date; quiet when all is well. */
export function Checks({ client, project, pieceId, shown, onShow }: ChecksProps) {
  const found = useReport(client, project, pieceId);
  const isSheet = pieceId !== undefined && project.pieces[pieceId]?.body.solid.depthMm === 0;
  const rows = found?.report ? rowsOf(found.report, isSheet) : [];
  const isBad = rows.some(([, , tone]) => tone === 'bad') || (found !== undefined && !found.report);
  const verdict = !found
    ? texts.checks.checking
    : found.report
      ? isBad
        ? ''
        : texts.checks.well
      : texts.checks.failed;
  const show = async (what: PlaceKind): Promise<void> => {
    if (!client || pieceId === undefined) return;
    const answer = shown === what ? undefined : await client.ask({ kind: 'places', project, pieceId, what });
    onShow(what, answer?.kind === 'placed' ? { pieceId, triangles: answer.triangles } : undefined);
  };
  return (
    <section aria-label={texts.checks.heading} data-testid="checks" aria-busy={!found}>
      <header className={classes.head}>
        <h2 className={classes.title}>{texts.checks.heading}</h2>
        <span className={classes.verdict} data-bad={isBad} role="status">
          {verdict}
        </span>
      </header>
      {rows.map(([label, figure, tone, places]) => (
        <div key={label} className={classes.row} data-tone={tone}>
          <span className={classes.dot} aria-hidden />
          <span className={classes.label}>{label}</span>
          {places && (
            <UnstyledButton className={classes.show} aria-pressed={shown === places} onClick={() => void show(places)}>
              {shown === places ? texts.checks.hide : texts.checks.show}
            </UnstyledButton>
          )}
          <span className={classes.figure}>{figure}</span>
        </div>
      ))}
    </section>
  );
}

function rowsOf(report: MeshReport, isSheet: boolean): Row[] {
  const t = texts.checks;
  const verdict = (good: boolean): [string, Tone] => [good ? t.yes : t.no, good ? 'good' : 'bad'];
  const number = (n: number): string => (n === 0 ? t.none : n.toLocaleString('en'));
  // a sheet is open on purpose, and so has no outside
  const rows: Row[] = isSheet
    ? []
    : [
        [t.closed, ...verdict(report.closed)],
        [t.outward, ...verdict(report.outward)],
      ];
  return [
    ...rows,
    [t.manifold, ...verdict(report.manifold)],
    [
      t.crossing,
      number(report.crossingFaces),
      report.crossingFaces === 0 ? 'good' : 'bad',
      report.crossingFaces === 0 ? undefined : 'crossing',
    ],
    [
      t.degenerate,
      number(report.degenerate),
      report.degenerate === 0 ? 'good' : 'bad',
      report.degenerate === 0 ? undefined : 'degenerate',
    ],
    [t.quads, `${(report.quadAreaShare * 100).toFixed(1)} %`, 'plain'],
    [t.slivers, number(report.slivers), 'plain', report.slivers === 0 ? undefined : 'slivers'],
  ];
}
