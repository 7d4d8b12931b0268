import { Center, Loader } from '@mantine/core';

/** The whole page waits. */
export function Loading({ label }: { label: string }) {
  return (
    <Center h="100vh">
      <Loader aria-label={label} />
    </Center>
  );
}
