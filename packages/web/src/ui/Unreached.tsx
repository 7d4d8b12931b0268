import { Alert, Anchor } from '@mantine/core';
import { texts } from '../words/index.ts';

/** What could not be fetched, and the way to try once more. */
export function Unreached({ text, onRetry }: { text: string; onRetry: () => void }) {
  return (
    <Alert color="red">
      {text}{' '}
      <Anchor component="button" onClick={onRetry}>
        {texts.rack.retry}
      </Anchor>
    </Alert>
  );
}
