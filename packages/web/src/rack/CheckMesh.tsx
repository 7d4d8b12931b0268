import { FileButton, Loader, Text, UnstyledButton } from '@mantine/core';
import { READ_FORMATS, type JobAnswer, type MeshFormat } from '@fictile/core';
import { useState } from 'react';
import { AimSentence, ChartFold, CheckRows, judge, useAim } from '../checks/index.ts';
import { DropFiles, SidePanel } from '../ui/index.ts';
import navClasses from '../ui/ScreenNav.module.css';
import { failureText, texts } from '../words/index.ts';
import { JobClient } from '../worker/index.ts';

const ENDINGS = READ_FORMATS.map((format) => `.${format}`);

type Checked = Extract<JobAnswer, { kind: 'readBack' }>;

interface Given {
  name: string;
  checked?: Checked;
  fault?: string;
}

/** A mesh of another program, judged like our own: chosen, or let go over the rack. */
export function CheckMesh({ onFault }: { onFault: (fault: string | undefined) => void }) {
  const [given, setGiven] = useState<Given>();
  const take = async (file: File | undefined | null): Promise<void> => {
    if (!file) return;
    const format = READ_FORMATS.find((f) => file.name.toLowerCase().endsWith(`.${f}`));
    if (!format) return onFault(texts.rack.checkKind(file.name));
    setGiven({ name: file.name });
    setGiven({ name: file.name, ...(await checked(file, format)) });
  };
  return (
    <>
      <FileButton onChange={(file) => void take(file)} accept={ENDINGS.join()}>
        {(props) => (
          <UnstyledButton {...props} className={navClasses.place}>
            {texts.rack.check}
          </UnstyledButton>
        )}
      </FileButton>
      <DropFiles text={texts.rack.checkHere} onFiles={([file]) => void take(file)} />
      <SidePanel opened={given !== undefined} onClose={() => setGiven(undefined)} title={texts.rack.checkTitle}>
        {given && <Verdict {...given} />}
      </SidePanel>
    </>
  );
}

/** In a worker of its own, which ends with it. */
async function checked(file: File, format: MeshFormat): Promise<Omit<Given, 'name'>> {
  const client = new JobClient();
  try {
    const answer = await client.ask({ kind: 'readBack', bytes: new Uint8Array(await file.arrayBuffer()), format });
    if (answer.kind === 'readBack') return { checked: answer };
    return { fault: answer.kind === 'failed' ? failureText(answer.error) : texts.rack.checkEmpty };
  } finally {
    client.stop();
  }
}

function Verdict({ name, checked: found, fault }: Given) {
  const [aim, setAim] = useAim();
  if (fault) return <Text c="var(--clay)">{fault}</Text>;
  if (!found) return <Loader aria-label={texts.rack.checkWait} />;
  const { report } = found;
  return (
    <div data-testid="checked">
      <Text fw={600}>{name}</Text>
      <Text size="sm" mb="sm">
        {texts.handOver.back(report.faces, report.vertices, report.shells)}
      </Text>
      <AimSentence aim={aim} onAim={setAim} />
      <CheckRows rows={judge(report, { isSheet: false, isLaidOut: true }, aim)} />
      <ChartFold report={report} steps={[]} />
    </div>
  );
}
