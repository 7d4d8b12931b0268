import { luminance } from '@mantine/core';
import { isDrawing, isWords, type Piece } from '@fictile/core';
import { IconCube, IconVectorSpline } from '@tabler/icons-react';
import classes from './Pieces.module.css';

/** Contrast from which a letter of one colour stands out on another. */
const LEAST_CONTRAST = 1.6;

/** A colour itself, or ink or paper where it would not be seen. */
function seenOn(ground: string, colour: string): string {
  const [a, b] = [luminance(ground) + 0.05, luminance(colour) + 0.05];
  if (Math.max(a, b) / Math.min(a, b) >= LEAST_CONTRAST) return colour;
  return a > 0.3 ? '#23262d' : '#fdfbf6';
}

/** The first letter in the piece's own colours, or the sign of a drawing. */
export function PieceTile({ piece }: { piece: Piece }) {
  const letter = isWords(piece) ? (
    (piece.source.graphemes.find((g) => g.text.trim() !== '')?.text ?? '–')
  ) : isDrawing(piece) ? (
    <IconVectorSpline size={15} />
  ) : (
    <IconCube size={15} />
  );
  const { wall, front } = piece.slots;
  return (
    <span
      className={classes.tile}
      style={{ background: wall.colour, color: seenOn(wall.colour, front.colour) }}
      aria-hidden
    >
      {letter}
    </span>
  );
}

/** Shards of the first pieces that are in a group, in their colours. */
export function GroupTile({ pieces }: { pieces: readonly Piece[] }) {
  return (
    <span className={classes.shards} aria-hidden>
      {pieces.slice(0, 4).map(({ id, slots }) => (
        <span key={id} style={{ background: slots.wall.colour }} />
      ))}
    </span>
  );
}
