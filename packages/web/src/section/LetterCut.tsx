import { cutAcross, type CutPoint, type ShownPiece } from '@fictile/core';
import { useMemo } from 'react';
import type { GeometryShelf } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import { HIGH } from './frame.ts';
import classes from './Section.module.css';

interface LetterCutProps {
  shown: ShownPiece;
  shelf: GeometryShelf;
  /** grapheme ids that were picked; with none the first letter is cut */
  picked: readonly number[];
}

const WIDE = 148;
/** Of the line's ascent: where a letter is cut. */
const CUT_AT = 0.3;
const MARGIN = 0.06;

/** A letter of the mesh as it stands, cut across: what the section comes to on its strokes. */
export function LetterCut({ shown, shelf, picked }: LetterCutProps) {
  const letter = shown.letters.find((l) => picked.includes(l.id)) ?? shown.letters.find((l) => l.text.trim() !== '');
  const lines = useMemo(() => (letter ? cutThrough(shown, shelf, letter) : []), [shown, shelf, letter]);
  if (!letter || lines.length === 0) return null;
  const xs = lines.flat().map(([x]) => x);
  const zs = lines.flat().map(([, z]) => z);
  const [left, low] = [Math.min(...xs), Math.min(...zs)];
  const [wide, high] = [Math.max(...xs) - left, Math.max(...zs) - low];
  const room = MARGIN * Math.max(wide, high);
  const toPath = (line: readonly CutPoint[]): string =>
    `M${line.map(([x, z]) => `${x - left} ${high - (z - low)}`).join('L')}Z`;
  return (
    <figure className={classes.cut}>
      <svg
        width={WIDE}
        height={HIGH - 26}
        viewBox={`${-room} ${-room} ${wide + 2 * room} ${high + 2 * room}`}
        preserveAspectRatio="xMidYMid meet"
        aria-hidden
      >
        <path d={lines.map(toPath).join('')} fillRule="evenodd" className={classes.cutLine} />
      </svg>
      <figcaption>{texts.section.cut(letter.text)}</figcaption>
    </figure>
  );
}

/** Lines of the cut within a letter's own width. */
function cutThrough(shown: ShownPiece, shelf: GeometryShelf, letter: ShownPiece['letters'][number]): CutPoint[][] {
  const y = letter.y + shown.line.up * CUT_AT;
  const [from, to] = [letter.x, letter.x + letter.advance];
  return shown.clusters.flatMap((cluster) => {
    const triangles = shelf.triangles(cluster.key);
    const cut = triangles ? cutAcross(triangles, y - cluster.y) : [];
    return cut
      .map((line) => line.map(([x, z]): CutPoint => [x + cluster.x, z + cluster.z]))
      .filter((line) => line.some(([x]) => x > from && x < to));
  });
}
