import { VisuallyHidden } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { isEmptyBox, isWords, pieceName, sizeOfBox, type Piece, type ShownPiece } from '@fictile/core';
import { useChoice, useMeshes } from '../bench/index.ts';
import { boundsOf, type GeometryShelf } from '../viewport/index.ts';
import { remarkText, texts } from '../words/index.ts';

const REST_MS = 800;

/** Tells those who can't see the view what stands there: words, size and remarks, once the hands rest. */
export function Announcer() {
  const { lead } = useChoice();
  const { evaluation, shelf, shown } = useMeshes();
  const [told] = useDebouncedValue(evaluation.busy || !lead ? undefined : sentence(lead, shown, shelf), REST_MS);
  return (
    <VisuallyHidden role="status" aria-live="polite" data-testid="told">
      {told}
    </VisuallyHidden>
  );
}

const wordsOf = (piece: Piece): string =>
  isWords(piece)
    ? piece.source.graphemes
        .map((g) => g.text)
        .join('')
        .trim()
    : pieceName(piece);

function sentence(piece: Piece, shown: ShownPiece | undefined, shelf: GeometryShelf): string {
  const box = boundsOf(shown ? [shown] : [], shelf);
  const size = isEmptyBox(box) ? '' : texts.workshop.size('', sizeOfBox(box));
  return texts.told(wordsOf(piece), size, (shown?.remarks ?? []).map(remarkText));
}
