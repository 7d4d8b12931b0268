import { Button, Group, Modal, Text } from '@mantine/core';
import { useSyncExternalStore } from 'react';
import { texts } from '../words/index.ts';
import { styleChoice } from './styleChoice.ts';

/** Which file of a style is to be used, when another one is brought in. */
export function StyleChoiceDialog() {
  const question = useSyncExternalStore(styleChoice.subscribe, styleChoice.question);
  const t = texts.typeCase.styleThere;
  return (
    <Modal opened={question !== undefined} onClose={() => question?.answer(undefined)} title={t.title}>
      <Text size="sm">{question && t.text(question.family, question.styles)}</Text>
      <Group justify="flex-end" mt="md">
        <Button variant="default" onClick={() => question?.answer('old')} data-autofocus>
          {t.old}
        </Button>
        <Button onClick={() => question?.answer('new')}>{t.fresh}</Button>
      </Group>
    </Modal>
  );
}
