import { useEffect, useMemo } from 'react';
import { useActs } from '../bench/index.ts';
import { isAt, type PivotMark } from '../pivots/index.ts';
import { PivotMarks } from '../viewport/index.ts';
import { useAtWork } from './atWork.ts';

/** The pivot while places are at work, and while it is brought elsewhere all places for it. */
export function PivotTool() {
  const { atWork, isFree } = useAtWork();
  const { pivoting } = useActs();
  const { marks, at, isOut, near, setOut } = pivoting;
  useEffect(() => {
    if (!isOut) return;
    const leave = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape') return;
      // it ends nothing else
      event.preventDefault();
      setOut(false);
    };
    window.addEventListener('keydown', leave, true);
    return () => window.removeEventListener('keydown', leave, true);
  }, [isOut, setOut]);
  const shown = useMemo(() => (isOut ? marks.filter((mark) => isSeen(mark, near)) : []), [isOut, marks, near]);
  if (atWork !== 'place' || !isFree || !at) return null;
  return (
    <PivotMarks
      marks={shown.map((mark) => ({ ...mark, isNow: isAt(mark, at) }))}
      transform={pivoting.transform}
      pivot={at}
      onNear={(key) => {
        const mark = shown.find((one) => one.key === key);
        if (mark?.letter && mark.of !== near) pivoting.nearer(mark.letter);
      }}
      onPress={(key) => {
        const mark = shown.find((one) => one.key === key);
        if (mark) pivoting.put(mark.pivot, mark.at);
      }}
    />
  );
}

/** Of letters only the middle, until the pointer has come to it. */
function isSeen({ of, letter, spot }: PivotMark, near: string | undefined): boolean {
  if (!letter || of === near || !spot) return true;
  return spot.across === 'middle' && spot.up === 'middle' && spot.deep === 'front';
}
