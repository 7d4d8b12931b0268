import { VisuallyHidden } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { isWords, pieceName, type Piece, type ShownPiece } from '@fictile/core';
import { boundsOf, type GeometryShelf } from '../viewport/index.ts';
import { remarkText, texts } from '../words/index.ts';

interface AnnouncerProps {
  piece: Piece | undefined;
  shown: ShownPiece | undefined;
  shelf: GeometryShelf;
  isBusy: boolean;
}

const REST_MS = 800;

/** Tells those who can't see the view what stands there: words, size and remarks, once the hands rest. */
export function Announcer({ piece, shown, shelf, isBusy }: AnnouncerProps) {
  const [told] = useDebouncedValue(isBusy || !piece ? undefined : sentence(piece, shown, shelf), REST_MS);
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
  const size = box.isEmpty()
    ? ''
    : texts.workshop.size('', [box.max.x - box.min.x, box.max.y - box.min.y, box.max.z - box.min.z]);
  return texts.told(wordsOf(piece), size, (shown?.remarks ?? []).map(remarkText));
}
