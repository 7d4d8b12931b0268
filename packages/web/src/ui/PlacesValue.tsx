import { Popover, Textarea } from '@mantine/core';
import { useState } from 'react';
import classes from './values.module.css';

export type PlaceOf3 = [number, number, number];

interface PlacesValueProps {
  /** what it is, for those who hear it */
  label: string;
  /** what stands in the sentence */
  shown: string;
  help: string;
  /** told where a line makes no sense, by its number */
  faultAt: (line: number) => string;
  places: readonly PlaceOf3[];
  most: number;
  onChange: (places: PlaceOf3[]) => void;
}

/** Places in space: a word in the sentence that opens them as text, one a line, to be changed, copied and pasted. */
export function PlacesValue({ label, shown, help, faultAt, places, most, onChange }: PlacesValueProps) {
  const [text, setText] = useState<string>();
  const read = text === undefined ? undefined : placesIn(text, most);
  const keep = (): void => {
    if (read?.places && text !== textOf(places)) onChange(read.places);
    setText(undefined);
  };
  return (
    <Popover
      opened={text !== undefined}
      onChange={(opened) => !opened && keep()}
      position="bottom-start"
      withinPortal
      trapFocus
      returnFocus
    >
      <Popover.Target>
        <button
          type="button"
          className={classes.value}
          aria-label={label}
          onClick={() => (text === undefined ? setText(textOf(places)) : keep())}
        >
          {shown}
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <Textarea
          aria-label={label}
          description={help}
          error={read?.fault !== undefined && faultAt(read.fault)}
          value={text ?? ''}
          onChange={(event) => setText(event.currentTarget.value)}
          rows={8}
          w={260}
          spellCheck={false}
        />
      </Popover.Dropdown>
    </Popover>
  );
}

const textOf = (places: readonly PlaceOf3[]): string => places.map((place) => place.join(', ')).join('\n');

/** `fault`: number of the first line that is no place, or one too many. */
function placesIn(text: string, most: number): { places?: PlaceOf3[]; fault?: number } {
  const lines = text.split('\n');
  const places: PlaceOf3[] = [];
  for (let i = 0; i < lines.length; i++) {
    if (lines[i].trim() === '') continue;
    const parts = lines[i]
      .trim()
      .split(/[\s,;]+/)
      .map(Number);
    if (parts.length !== 3 || parts.some((v) => !(Math.abs(v) <= FARTHEST)) || places.length === most)
      return { fault: i + 1 };
    places.push(parts as PlaceOf3);
  }
  return { places };
}

/** mm */
const FARTHEST = 100_000;
