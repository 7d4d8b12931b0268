import type { Histogram, MeshReport } from '@fictile/core';
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { texts } from '../words/index.ts';
import classes from './Checks.module.css';

export interface ChartsProps {
  report: MeshReport;
  /** faces as made, and after each step */
  steps: readonly { name: string; faces: number }[];
}

const short = (value: number): string => String(Number(value.toPrecision(2)));

/** What is quicker seen than read: how long the edges are, how wide the corners, what each step leaves. */
export default function Charts({ report: { figures }, steps }: ChartsProps) {
  const t = texts.checks;
  return (
    <>
      <Chart title={t.lengths} unit={t.edgesCount} rows={rowsOf(figures.lengths, short)} />
      <Chart title={t.corners} unit={t.cornersCount} rows={rowsOf(figures.corners, (mark) => `${mark}`)} />
      {steps.length > 1 && (
        <Chart title={t.steps} unit={t.facesCount} rows={steps.map(({ name, faces }) => ({ name, count: faces }))} />
      )}
    </>
  );
}

interface ChartRow {
  name: string;
  count: number;
}

const rowsOf = ({ marks, counts }: Histogram, text: (mark: number) => string): ChartRow[] =>
  counts.map((count, i) => ({ name: text(marks[i]), count }));

function Chart({ title, unit, rows }: { title: string; unit: string; rows: ChartRow[] }) {
  return (
    <figure className={classes.chart} aria-label={title}>
      <figcaption>{title}</figcaption>
      <ResponsiveContainer width="100%" height={84}>
        <BarChart data={rows} margin={{ top: 2, right: 2, bottom: 0, left: 2 }} barCategoryGap={1}>
          <XAxis
            dataKey="name"
            tick={{ fontSize: 10, fill: 'var(--ink-soft)' }}
            tickLine={false}
            interval="preserveStartEnd"
          />
          <YAxis hide />
          <Tooltip
            cursor={{ fill: 'var(--cobalt-wash)' }}
            formatter={(value) => [Number(value).toLocaleString('en'), unit]}
            contentStyle={{ fontSize: 11, background: 'var(--paper)', borderColor: 'var(--line)', color: 'var(--ink)' }}
          />
          <Bar dataKey="count" fill="var(--cobalt)" isAnimationActive={false} />
        </BarChart>
      </ResponsiveContainer>
    </figure>
  );
}
