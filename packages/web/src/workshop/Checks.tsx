import { Button, Table, Text } from '@mantine/core';
import type { MeshReport, Project } from '@fictile/core';
import { useState } from 'react';
import { texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';

interface ChecksProps {
  client: JobClient;
  project: Project;
  pieceId: string;
}

/** The checks on request; a report belongs to one state of the document and goes when that changes. */
export function Checks({ client, project, pieceId }: ChecksProps) {
  const [report, setReport] = useState<{ of: Project; report?: MeshReport }>();
  const run = async (): Promise<void> => {
    const answer = await client.ask({ kind: 'check', project, pieceId });
    setReport({ of: project, report: answer.kind === 'checked' ? answer.report : undefined });
  };
  const current = report?.of === project ? report : undefined;
  if (!current) {
    return (
      <Button variant="default" onClick={() => void run()}>
        {texts.workshop.check}
      </Button>
    );
  }
  return current.report ? <ReportTable report={current.report} /> : <Text>{texts.checks.failed}</Text>;
}

function ReportTable({ report }: { report: MeshReport }) {
  const yes = (value: boolean): string => (value ? texts.checks.yes : texts.checks.no);
  const rows: [string, string][] = [
    [texts.checks.closed, yes(report.closed)],
    [texts.checks.manifold, yes(report.manifold)],
    [texts.checks.outward, yes(report.outward)],
    [texts.checks.crossing, report.crossingFaces === 0 ? texts.checks.none : report.crossingFaces.toLocaleString('en')],
    [texts.checks.quads, `${(report.quadAreaShare * 100).toFixed(1)} %`],
    [texts.checks.slivers, report.slivers.toLocaleString('en')],
    [texts.checks.size, `${report.sizeMm.map((v) => v.toFixed(1)).join(' × ')} mm`],
  ];
  return (
    <Table data-testid="checks" verticalSpacing={4} fz="sm">
      <Table.Tbody>
        {rows.map(([name, value]) => (
          <Table.Tr key={name}>
            <Table.Th scope="row" fw={400}>
              {name}
            </Table.Th>
            <Table.Td ta="right">{value}</Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
}
