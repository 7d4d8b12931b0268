import { BODY_SIDES, HELD_SIDE, middleOfSide, type BodySide, type HeldPlace, type OntoStep } from '@fictile/core';
import type { ReactNode } from 'react';
import { choicesOf, ChoiceValue } from '../../ui/index.ts';
import { texts } from '../../words/index.ts';
import type { EditKey } from '../../ui/index.ts';
import { type OtherPiece, number } from '../../fields/index.ts';
import { measuredFrom } from './putParts.ts';

const T = texts.put;
const L = T.labels;

interface HeldProps {
  onto: OntoStep;
  put: (next: OntoStep, key?: EditKey) => void;
}

type SidePlace = Extract<HeldPlace, { kind: 'side' }>;

/** Not in the middle of its side. */
export const isOff = ({ place }: OntoStep): boolean =>
  place.kind === 'side' &&
  (place.acrossMm !== 0 || place.upMm !== 0 || place.acrossFrom !== 'middle' || place.upFrom !== 'middle');

/** A place of the body by its name; a value itself, so that the mark after it stays with it. */
export function heldPlaceChoice({ onto, put }: HeldProps) {
  const { place } = onto;
  const names: Record<string, string> = {
    ...(place.kind === 'pressed' && { pressed: T.pressed }),
    ...(isOff(onto) ? T.sidesOff : T.sides),
  };
  const take = (side: string): void => {
    if (!BODY_SIDES.includes(side as BodySide)) return;
    const held = place.kind === 'side' ? place : middleOfSide('front');
    put({ ...onto, place: { ...held, side: side as BodySide } });
  };
  return (
    <ChoiceValue
      label={L.at}
      value={place.kind === 'side' ? place.side : 'pressed'}
      choices={choicesOf<string>(names)}
      onChange={take}
    />
  );
}

/** How far from what of that side, by the slots of the sentence. */
export function heldOff({ onto, put, flat }: HeldProps & { flat: OtherPiece['flat'] }): Record<string, ReactNode> {
  const { place } = onto;
  if (place.kind !== 'side') return {};
  const mm = (field: 'acrossMm' | 'upMm', label: string): ReactNode =>
    number(
      field,
      HELD_SIDE[field],
      { label, value: place[field] },
      { take: (value, key) => put({ ...onto, place: { ...place, [field]: value } }, key) },
    );
  const from = (values: Partial<SidePlace>): void => put({ ...onto, place: measuredFrom(place, values, flat) });
  return {
    across: mm('acrossMm', L.across),
    acrossFrom: (
      <ChoiceValue
        label={L.acrossFrom}
        value={place.acrossFrom}
        choices={choicesOf(T.acrossFroms)}
        usual="middle"
        onChange={(acrossFrom) => from({ acrossFrom })}
      />
    ),
    up: mm('upMm', L.up),
    upFrom: (
      <ChoiceValue
        label={L.upFrom}
        value={place.upFrom}
        choices={choicesOf(T.upFroms)}
        usual="middle"
        onChange={(upFrom) => from({ upFrom })}
      />
    ),
  };
}
