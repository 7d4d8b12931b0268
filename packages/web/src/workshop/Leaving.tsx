import { Button, Group, Modal, Text } from '@mantine/core';
import { useEffect } from 'react';
import { useBlocker } from 'react-router';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';

/** Asks before work goes that neither the server nor this browser holds. */
export function Leaving({ store }: { store: ProjectStore }) {
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent): void => {
      if (store.isUnkept) event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [store]);
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => store.isUnkept && currentLocation.pathname !== nextLocation.pathname,
  );
  const t = texts.saving;
  return (
    <Modal opened={blocker.state === 'blocked'} onClose={() => blocker.reset?.()} title={t.leaveTitle}>
      <Text size="sm">{t.leaveText}</Text>
      <Group justify="flex-end" mt="md">
        <Button variant="default" onClick={() => blocker.proceed?.()}>
          {t.leave}
        </Button>
        <Button data-autofocus onClick={() => blocker.reset?.()}>
          {t.stay}
        </Button>
      </Group>
    </Modal>
  );
}
