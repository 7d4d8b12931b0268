import { Button, Stack, Text } from '@mantine/core';
import { canHold, type JobAnswer, type MeshReport, type WriteOptions } from '@fictile/core';
import { useEffect, useState } from 'react';
import { texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';

interface ReadBackProps {
  client: JobClient;
  written: Uint8Array;
  options: WriteOptions;
}

/** Reads the file as a stranger would and shows what it holds. */
export function ReadBack({ client, written, options }: ReadBackProps) {
  const [read, setRead] = useState<{ of: Uint8Array; answer: JobAnswer | undefined }>();
  const current = read?.of === written ? read : undefined;
  const start = (): void => setRead({ of: written, answer: undefined });
  const waits = current !== undefined && current.answer === undefined;
  useEffect(() => {
    if (!waits) return;
    let isAsked = true;
    void client.ask({ kind: 'readBack', bytes: written, format: options.format }).then((answer) => {
      if (isAsked) setRead({ of: written, answer });
    });
    return () => {
      isAsked = false;
    };
  }, [waits, client, written, options.format]);
  return (
    <Stack gap={4} data-testid="read-back" aria-live="polite">
      {!current?.answer && (
        <Button variant="default" size="xs" loading={waits} onClick={start}>
          {texts.handOver.readBack}
        </Button>
      )}
      {current?.answer && (
        <Holds answer={current.answer} unit={canHold(options.format, 'frame') ? options.unit : 'mm'} />
      )}
    </Stack>
  );
}

const MOST_NAMES = 12;

function Holds({ answer, unit }: { answer: JobAnswer; unit: string }) {
  const t = texts.handOver;
  if (answer.kind !== 'readBack')
    return (
      <Text size="sm" c="var(--clay)">
        {t.backFailed}
      </Text>
    );
  const { report, names, finishes } = answer;
  const faults = faultsOf(report);
  const lines = [
    t.back(report.faces, report.vertices, report.shells),
    t.backSize(report.sizeMm, unit),
    ...(names.length > 0 ? [t.backNames(names.slice(0, MOST_NAMES))] : []),
    ...(finishes.length > 0 ? [t.backFinishes(finishes.slice(0, MOST_NAMES))] : []),
  ];
  return (
    <>
      <Text size="sm" fw={600}>
        {t.backTitle}
      </Text>
      {lines.map((line) => (
        <Text key={line} size="sm">
          {line}
        </Text>
      ))}
      <Text size="sm" c={faults.length === 0 ? 'var(--celadon)' : 'var(--clay)'}>
        {faults.length === 0 ? t.backSound : t.backNot(faults)}
      </Text>
    </>
  );
}

function faultsOf(report: MeshReport): string[] {
  const t = texts.handOver.backFaults;
  return [
    report.closed ? '' : t.open,
    report.manifold ? '' : t.split,
    report.outward || !report.closed ? '' : t.inward,
    report.crossingFaces === 0 ? '' : t.crossing,
  ].filter(Boolean);
}
