import { Button, Checkbox, Radio, Stack, Text } from '@mantine/core';
import {
  asDocument,
  FILE_TOLERANCE,
  isOfFile,
  materialsFileName,
  pieceName,
  standAlone,
  usualWriteOptions,
  type JobAnswer,
  canHold,
  MESH_FORMATS,
  type MeshFormat,
  type Project,
  type WriteOptions,
} from '@fictile/core';
import { useEffect, useState } from 'react';
import type { TakePicture } from '../viewport/index.ts';
import { shownAs, NumberValue, saveFile, SidePanel } from '../ui/index.ts';
import { failureText, remarkText, texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';
import { Choices } from './Choices.tsx';
import { ReadBack } from './ReadBack.tsx';
import { StillPicture } from './StillPicture.tsx';

interface HandOverProps {
  /** of all pieces that are seen, as they stand in the workshop */
  faces: number;
  opened: boolean;
  onClose: () => void;
  client: JobClient | undefined;
  project: Project;
  takePicture: TakePicture | undefined;
}

/** What holds most comes first. */
const FORMATS: readonly MeshFormat[] = MESH_FORMATS.toSorted(
  (a, b) => Number(canHold(b, 'paints')) - Number(canHold(a, 'paints')),
);

/** Files for engines, renderers and printers, and a still picture. What a file will hold is said before it is saved. */
export function HandOver({ opened, onClose, client, project, faces, takePicture }: HandOverProps) {
  return (
    <SidePanel opened={opened} onClose={onClose} title={texts.handOver.title}>
      <Stack gap="xl">
        <MeshFile client={client} project={project} faces={faces} />
        {takePicture && <StillPicture take={takePicture} name={project.name} />}
      </Stack>
    </SidePanel>
  );
}

type Written = Extract<JobAnswer, { kind: 'written' }>;

function MeshFile({ client, project, faces }: Pick<HandOverProps, 'client' | 'project' | 'faces'>) {
  const seen = standAlone(project);
  const [left, setLeft] = useState<readonly string[]>([]);
  const pieceIds = seen.filter((id) => !left.includes(id));
  const alone = pieceIds.length === 1 ? pieceName(project.pieces[pieceIds[0]]) : undefined;
  const [options, setOptions] = useState<WriteOptions>(() => usualWriteOptions('glb', project.name));
  const named = { ...options, name: alone ?? project.name };
  const [toleranceMm, setToleranceMm] = useState(0);
  const handed = toleranceMm > 0 ? withTolerance(project, toleranceMm) : project;
  const { written, failed } = useWritten(client, handed, pieceIds, named);
  const save = (): void => {
    if (!written) return;
    const base = project.name.trim() || texts.pieces.newWords;
    for (const { bytes, mtl, suffix } of [{ ...written, suffix: '' }, ...written.coarser]) {
      saveFile(bytes, `${base}${suffix}.${options.format}`);
      if (mtl) saveFile(mtl, materialsFileName(named.name + suffix));
    }
  };
  return (
    <Stack gap="md">
      {seen.length > 1 && <WhichPieces project={project} seen={seen} taken={pieceIds} onLeave={setLeft} />}
      <WhichFormat format={options.format} onFormat={(format) => setOptions({ ...options, format })} />
      <Choices options={options} onChange={setOptions} />
      <HandedTolerance value={toleranceMm} faces={faces} onChange={setToleranceMm} />
      <Text size="sm" data-testid="holds" aria-live="polite">
        {pieceIds.length === 0
          ? texts.handOver.none
          : written
            ? texts.handOver.holds({ ...written.counts, bytes: written.bytes.length })
            : (failed ?? `${texts.handOver.count} …`)}
        {written && written.coarser.length > 0 && `. ${texts.handOver.beside(written.coarser.length)}`}
      </Text>
      {written?.remarks.filter(isOfFile).map((r) => (
        <Text key={r.code} size="sm" c="var(--clay)">
          {remarkText(r)}
        </Text>
      ))}
      <Button onClick={save} disabled={!written || written.counts.faces === 0}>
        {texts.handOver.save}
      </Button>
      {client && written && written.counts.faces > 0 && (
        <ReadBack client={client} written={written.bytes} options={named} />
      )}
    </Stack>
  );
}

interface WhichPiecesProps {
  project: Project;
  seen: readonly string[];
  taken: readonly string[];
  /** which stay out of the file */
  onLeave: (ids: readonly string[]) => void;
}

function WhichPieces({ project, seen, taken, onLeave }: WhichPiecesProps) {
  return (
    <Checkbox.Group
      label={texts.handOver.pieces}
      value={[...taken]}
      onChange={(next) => onLeave(seen.filter((id) => !next.includes(id)))}
    >
      <Stack gap={6} mt={6}>
        {seen.map((id) => (
          <Checkbox key={id} value={id} label={project.pieces[id].name} />
        ))}
      </Stack>
    </Checkbox.Group>
  );
}

function WhichFormat({ format, onFormat }: { format: MeshFormat; onFormat: (format: MeshFormat) => void }) {
  return (
    <Radio.Group label={texts.handOver.format} value={format} onChange={(next) => onFormat(next as MeshFormat)}>
      <Stack gap={6} mt={6}>
        {FORMATS.map((one) => (
          <Radio key={one} value={one} label={texts.handOver.formats[one]} />
        ))}
      </Stack>
    </Radio.Group>
  );
}

/** Curves may be finer or coarser in the file than where they are worked on. */
function HandedTolerance({ value, faces, onChange }: { value: number; faces: number; onChange: (mm: number) => void }) {
  const t = texts.handOver;
  return (
    <>
      <Text size="sm" component="div">
        {t.tolerance}{' '}
        <NumberValue
          {...shownAs(FILE_TOLERANCE)}
          label={t.tolerance}
          value={value}
          zero={t.toleranceSame}
          onChange={onChange}
        />
        .
      </Text>
      {value > 0 && <Text size="sm">{t.workshopCount(faces)}</Text>}
    </>
  );
}

/** The same project with finer or coarser curves: the workshop may be quicker than what is handed over. */
function withTolerance(project: Project, toleranceMm: number): Project {
  const pieces = Object.entries(project.pieces).map(([id, piece]) => [
    id,
    { ...piece, body: { ...piece.body, faces: { ...piece.body.faces, toleranceMm: Math.max(0.0005, toleranceMm) } } },
  ]);
  return { ...project, pieces: Object.fromEntries(pieces) as Project['pieces'] };
}

/** The file as it would be saved, made anew whenever a choice changes. */
function useWritten(
  client: JobClient | undefined,
  project: Project,
  pieceIds: readonly string[],
  options: WriteOptions,
) {
  const [made, setMade] = useState<{ wish: string; written?: Written; failed?: string }>();
  const wish = JSON.stringify([pieceIds, options, asDocument(project)]);
  useEffect(() => {
    if (!client || pieceIds.length === 0) return;
    let current = true;
    void client.ask({ kind: 'write', project, pieceIds: [...pieceIds], options }).then((answer) => {
      if (!current) return;
      if (answer.kind === 'written') setMade({ wish, written: answer });
      else setMade({ wish, failed: answer.kind === 'failed' ? failureText(answer.error) : texts.handOver.failed });
    });
    return () => {
      current = false;
    };
    // `wish` holds everything that a choice can change
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [client, project, wish]);
  return made?.wish === wish ? made : { written: undefined, failed: undefined };
}
