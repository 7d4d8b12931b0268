import type { FontFacts, FontRef } from '@fictile/core';
import { useDebouncedValue } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useFonts } from '../fonts/index.ts';
import { JobClient } from '../worker/index.ts';

const REST_MS = 250;

/**
 * What a font means for solids, measured in a worker once the hands rest; `null` where that failed, undefined while it
 * is measured.
 */
export function useFontFacts(font: FontRef, words: string, sizeMm: number): FontFacts | null | undefined {
  const client = useWorker(useFonts().dataUpdatedAt);
  const [wish] = useDebouncedValue(JSON.stringify({ font, words, sizeMm }), REST_MS);
  const facts = useQuery({
    queryKey: ['font facts', wish],
    enabled: client !== undefined,
    staleTime: Infinity,
    queryFn: async () => {
      const asked = JSON.parse(wish) as { font: FontRef; words: string; sizeMm: number };
      const answer = await client?.ask({ kind: 'fontFacts', ...asked });
      return answer?.kind === 'fontFacts' ? answer.facts : null;
    },
  });
  return facts.data;
}

/** Started anew whenever the case has changed: a worker knows the fonts there were when it began. */
function useWorker(changedAt: number): JobClient | undefined {
  const [client, setClient] = useState<JobClient>();
  useEffect(() => {
    if (typeof Worker === 'undefined') return;
    const started = new JobClient();
    setClient(started);
    return () => started.stop();
  }, [changedAt]);
  return client;
}
