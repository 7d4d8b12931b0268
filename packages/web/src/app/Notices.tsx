import { Anchor, Button, Center, Stack, Text, Title } from '@mantine/core';
import { Link } from 'react-router';
import { texts } from '../words/index.ts';

/** Whole-page states: an address that leads nowhere, a fault of ours. Never a blank page. */
export function Lost() {
  return (
    <Center h="100vh">
      <Stack align="center" gap="xs">
        <Title order={2}>{texts.lost.title}</Title>
        <Anchor component={Link} to="/">
          {texts.toRack}
        </Anchor>
      </Stack>
    </Center>
  );
}

export function Mishap() {
  return (
    <Center h="100vh">
      <Stack align="center" gap="xs" maw={420}>
        <Title order={2}>{texts.mishap.title}</Title>
        <Text ta="center">{texts.mishap.text}</Text>
        <Button onClick={() => window.location.reload()}>{texts.mishap.again}</Button>
      </Stack>
    </Center>
  );
}
