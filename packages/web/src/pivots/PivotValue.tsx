import { Button, NativeSelect, Popover } from '@mantine/core';
import { isGroup, type Item, type Pivot } from '@fictile/core';
import { useRef, useState } from 'react';
import { useOffers, valueOffer } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { isAt, WHOLE, type PivotMark } from './pivotMarks.ts';
import classes from './Pivots.module.css';
import { DEPTHS, spotKey, spotName, spotsAt, type Spot } from './spotNames.ts';
import type { Pivoting } from './usePivoting.ts';

interface PivotValueProps {
  item: Item;
  pivoting: Pivoting;
  /** of its letters, by id */
  letterText: (id: number) => string;
  className: string;
}

/** About what a piece or a group is turned: a word in a sentence that opens all its places. */
export function PivotValue({ item, pivoting, letterText, className }: PivotValueProps) {
  const [isOpen, setIsOpen] = useState(false);
  const t = texts.pivot;
  const shown = pivotName(item, pivoting, letterText);
  const target = useRef<HTMLButtonElement>(null);
  useOffers(() => [valueOffer(target.current, t.label)]);
  return (
    <Popover opened={isOpen} onChange={setIsOpen} position="bottom-start" withinPortal trapFocus returnFocus>
      <Popover.Target>
        <button
          ref={target}
          type="button"
          className={className}
          aria-label={`${t.label}: ${shown}`}
          onClick={() => setIsOpen(!isOpen)}
        >
          {shown}
        </button>
      </Popover.Target>
      <Popover.Dropdown className={classes.card} aria-label={t.label}>
        <Places item={item} pivoting={pivoting} />
        <div className={classes.acts}>
          <Button
            size="xs"
            variant="default"
            onClick={() => {
              pivoting.setOut(true);
              setIsOpen(false);
            }}
          >
            {t.press}
          </Button>
          <Button size="xs" variant="subtle" onClick={() => pivoting.put({ kind: 'zero' }, [0, 0, 0])}>
            {t.zero}
          </Button>
        </div>
      </Popover.Dropdown>
    </Popover>
  );
}

/** What stands in the sentence. */
export function pivotName(item: Item, { marks, at }: Pivoting, letterText: (id: number) => string): string {
  const t = texts.pivot;
  if (isGroup(item)) {
    return marks.find((mark) => isAt(mark, at))?.label ?? t.point;
  }
  const { pivot } = item.placement;
  if (pivot.kind === 'zero') return t.zeroName;
  if (pivot.kind === 'point') return t.point;
  return pivot.kind === 'box' ? spotName(pivot) : t.of(spotName(pivot), letterText(pivot.letter));
}

/** The 27 places of the whole or of a letter, at three depths. */
function Places({ item, pivoting }: Pick<PivotValueProps, 'item' | 'pivoting'>) {
  const { marks, owners, put } = pivoting;
  const [wanted, setWanted] = useState<string>();
  const t = texts.pivot;
  const own = wanted ?? ownerNow(item, pivoting);
  const of = owners.some(({ key }) => key === own) ? own : WHOLE;
  const bySpot = new Map(
    marks.filter((mark) => mark.of === of && mark.spot).map((mark) => [spotKey(mark.spot as Spot), mark]),
  );
  const now = markNow(item, pivoting);
  if (marks.length === 0) return <p className={classes.none}>{t.none}</p>;
  return (
    <>
      <NativeSelect
        label={t.owner}
        data={owners.map(({ key, name }) => ({ value: key, label: name }))}
        value={of}
        onChange={(event) => setWanted(event.currentTarget.value)}
        size="xs"
      />
      <fieldset className={classes.depths} aria-label={t.places}>
        {DEPTHS.map((deep) => (
          <div key={deep} className={classes.depth}>
            <div className={classes.spots}>
              {spotsAt(deep).map((spot) => {
                const mark = bySpot.get(spotKey(spot));
                return (
                  <input
                    key={spotKey(spot)}
                    type="radio"
                    name="pivot"
                    className={classes.spot}
                    aria-label={spotName(spot)}
                    title={spotName(spot)}
                    checked={mark !== undefined && mark.key === now?.key}
                    disabled={!mark}
                    onChange={() => mark && put(mark.pivot, mark.at)}
                  />
                );
              })}
            </div>
            <span>{t.depths[deep]}</span>
          </div>
        ))}
      </fieldset>
    </>
  );
}

/** The mark at which the pivot is, of what it was said to be of. */
function markNow(item: Item, { marks, at }: Pivoting): PivotMark | undefined {
  if (!isGroup(item)) return marks.find(({ pivot }) => samePivot(pivot, item.placement.pivot));
  return marks.find((mark) => isAt(mark, at));
}

function samePivot(a: Pivot, b: Pivot): boolean {
  if (a.kind === 'letter' && b.kind === 'letter' && a.letter !== b.letter) return false;
  if ((a.kind === 'box' || a.kind === 'letter') && a.kind === b.kind) return spotKey(a) === spotKey(b as Spot);
  return false;
}

const ownerNow = (item: Item, pivoting: Pivoting): string => markNow(item, pivoting)?.of ?? WHOLE;
