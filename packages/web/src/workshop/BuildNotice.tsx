import { Button, Group, Loader, Paper, Text } from '@mantine/core';
import { texts } from '../words/index.ts';
import type { Evaluation } from './useEvaluation.ts';
import classes from './Workbench.module.css';

interface BuildNoticeProps {
  evaluation: Evaluation;
  /** the last life of this page ended while it built this: nothing is built until it is asked for */
  isHeld: boolean;
  onCancel: () => void;
  onBuild: () => void;
}

/** Over the view: that building takes long, and how to stop it; why there is no newer result, and how to go on. */
export function BuildNotice({ evaluation, isHeld, onCancel, onBuild }: BuildNoticeProps) {
  const t = texts.building;
  if (isHeld)
    return (
      <Notice text={t.held} alert>
        <Button size="compact-sm" onClick={onBuild}>
          {t.build}
        </Button>
      </Notice>
    );
  if (evaluation.busy && evaluation.isLong)
    return (
      <Notice text={t.long} isBusy>
        <Button size="compact-sm" variant="default" onClick={onCancel}>
          {t.cancel}
        </Button>
      </Notice>
    );
  if (evaluation.busy || !evaluation.crash) return null;
  return (
    <Notice text={t.crashes[evaluation.crash]} alert>
      <Button size="compact-sm" variant="default" onClick={onBuild}>
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
