import { UnstyledButton } from '@mantine/core';
import {
  chapterOf,
  cureOf,
  toneOf,
  type Cure,
  type Edit,
  type Project,
  type Remark,
  type ShownPiece,
} from '@fictile/core';
import type { MarkedPlaces } from '../viewport/index.ts';
import { cureText, remarkText, stepName, texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';
import { AimSentence, useAim } from './Aim.tsx';
import { ChartFold } from './ChartFold.tsx';
import { CheckRows } from './CheckRows.tsx';
import classes from './Checks.module.css';
import type { CheckCure, Painted } from './definition.ts';
import { isLaidPaint, judge, ontoRows, subjectOf, verdictOf } from './judge.ts';
import { useReport } from './useReport.ts';

interface ChecksProps {
  client: JobClient | undefined;
  project: Project;
  pieceId: string | undefined;
  shownPiece?: ShownPiece;
  /** what is painted on the model now */
  shown: Painted | undefined;
  onShow: (what: Painted, places: MarkedPlaces | undefined) => void;
  onCure: (pieceId: string, cure: CheckCure) => void;
  /** of what it runs into */
  onEdits: (edits: Edit[]) => void;
}

/** Whether the piece's mesh is fit for what it is meant for, always up to date; quiet when all is well. */
export function Checks({ client, project, pieceId, shownPiece, shown, onShow, onCure, onEdits }: ChecksProps) {
  const found = useReport(client, project, pieceId);
  const [aim, setAim] = useAim();
  const piece = pieceId === undefined ? undefined : project.pieces[pieceId];
  const rows =
    found?.report && piece ? [...judge(found.report, subjectOf(piece), aim), ...ontoRows(shownPiece?.onto)] : [];
  const t = texts.checks;
  const meetings = (found?.crossing ?? []).filter((remark) => chapterOf(remark) === 'place');
  const missing = (shownPiece?.remarks ?? []).filter((remark) => toneOf(remark) === 'missing');
  const judged = verdictOf([...rows, ...meetings.map(() => ({ tone: 'mind' as const }))]);
  const { tone, verdict } = wholeVerdict(found, { isMissing: missing.length > 0, judged });
  const show = async (what: Painted): Promise<void> => {
    if (!client || pieceId === undefined) return;
    const asked = isLaidPaint(what)
      ? ({ kind: 'laid', project, pieceId, what } as const)
      : ({ kind: 'places', project, pieceId, what } as const);
    const answer = shown === what ? undefined : await client.ask(asked);
    onShow(
      what,
      answer?.kind === 'placed' ? { pieceId, triangles: answer.triangles, values: answer.values } : undefined,
    );
  };
  return (
    <section aria-label={t.heading} data-testid="checks" aria-busy={!found}>
      <header className={classes.head}>
        <h2 className={classes.title}>{t.heading}</h2>
        <span className={classes.verdict} data-tone={tone} role="status">
          {verdict}
        </span>
      </header>
      {missing.map((remark, i) => (
        <p key={`${remark.code} ${i}`} className={classes.remark}>
          {remarkText(remark)}
        </p>
      ))}
      <AimSentence aim={aim} onAim={setAim} />
      <CheckRows
        rows={rows}
        shown={shown}
        onShow={(what) => void show(what)}
        onCure={(cure) => pieceId !== undefined && onCure(pieceId, cure)}
      />
      {piece &&
        found?.crossing.map((remark, i) => (
          <Meeting
            key={`${remark.code} ${i}`}
            remark={remark}
            cure={cureOf(remark, piece, { pieces: project.pieces, freshId: 'fresh' })}
            onEdits={onEdits}
          />
        ))}
      {found?.report && <ChartFold report={found.report} steps={stepsOf(project, shownPiece)} />}
    </section>
  );
}

/** The word over all rows. */
function wholeVerdict(
  found: ReturnType<typeof useReport>,
  { isMissing, judged }: { isMissing: boolean; judged: ReturnType<typeof verdictOf> },
): { tone: typeof judged; verdict: string } {
  const t = texts.checks;
  if (isMissing) return { tone: 'bad', verdict: t.leftOut };
  if (!found) return { tone: judged, verdict: t.checking };
  if (!found.report) return { tone: 'bad', verdict: t.failed };
  return { tone: judged, verdict: { good: t.well, plain: t.well, mind: t.mind, bad: '' }[judged] };
}

/** Faces that run into others, with what helps. */
function Meeting({
  remark,
  cure,
  onEdits,
}: {
  remark: Remark;
  cure: Cure | undefined;
  onEdits: (edits: Edit[]) => void;
}) {
  return (
    <p className={classes.remark}>
      {remarkText(remark)}
      {cure && (
        <UnstyledButton className={classes.room} onClick={() => onEdits(cure.edits)}>
          {cureText(cure)}
        </UnstyledButton>
      )}
    </p>
  );
}

function stepsOf(project: Project, shown: ShownPiece | undefined): { name: string; faces: number }[] {
  const steps = shown ? (project.pieces[shown.pieceId]?.steps ?? []) : [];
  const left = (shown?.stepFaces ?? []).flatMap(({ id, faces }) => {
    const step = steps.find((s) => s.id === id);
    return step ? [{ name: stepName(step.kind), faces }] : [];
  });
  return [{ name: texts.checks.made, faces: shown?.bodyFaces ?? 0 }, ...left];
}
