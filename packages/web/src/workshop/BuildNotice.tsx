import { Button, Group, Loader, Paper, Text } from '@mantine/core';
import { texts } from '../words/index.ts';
import { useMeshes } from '../bench/index.ts';
import classes from './Workbench.module.css';

/** Over the view: that building takes long, and how to stop it; why there is no newer result, and how to go on. */
export function BuildNotice() {
  const { evaluation, client, isHeld, build } = useMeshes();
  const t = texts.building;
  if (isHeld)
    return (
      <Notice text={t.held} alert>
        <Button size="compact-sm" onClick={build}>
          {t.build}
        </Button>
      </Notice>
    );
  if (evaluation.busy && evaluation.isLong)
    return (
      <Notice text={t.long} isBusy>
        <Button size="compact-sm" variant="default" onClick={() => client?.cancel()}>
          {t.cancel}
        </Button>
      </Notice>
    );
  if (evaluation.busy || !evaluation.crash) return null;
  return (
    <Notice text={t.crashes[evaluation.crash]} alert>
      <Button size="compact-sm" variant="default" onClick={build}>
        {t.again}
      </Button>
    </Notice>
  );
}

interface NoticeProps {
  text: string;
  isBusy?: boolean;
  alert?: boolean;
  children: React.ReactNode;
}

function Notice({ text, isBusy = false, alert = false, children }: NoticeProps) {
  return (
    <Paper
      className={classes.notice}
      shadow="sm"
      px="md"
      py="xs"
      role={alert ? 'alert' : 'status'}
      data-testid="building"
    >
      <Group gap="sm" wrap="nowrap">
        {isBusy && <Loader size="xs" />}
        <Text size="sm">{text}</Text>
        {children}
      </Group>
    </Paper>
  );
}
