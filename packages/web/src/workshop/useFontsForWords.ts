import { isWords } from '@fictile/core';
import { useChoice, useDocument } from '../bench/index.ts';
import { useFontsFor } from '../fonts/index.ts';

/** Font files let go over the workshop go into the type case, and the words at work are set in the first. */
export function useFontsForWords(): (files: readonly File[]) => void {
  const { store } = useDocument();
  const { lead } = useChoice();
  return useFontsFor((font) => {
    if (lead && !lead.locked && isWords(lead)) store.edit({ kind: 'setWords', pieceId: lead.id, values: { font } });
  });
}
