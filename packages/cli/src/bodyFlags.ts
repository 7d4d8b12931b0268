import { usualHollow, usualWire, type Contour, type Edit, type Piece } from '@fictile/core';
import type { Flags } from './flags.ts';
import { fault } from './messages.ts';

/** What flags say of the solid and its faces, for words and drawings alike. */
export function bodyEdits(flags: Flags, { id: pieceId, body }: Piece): Edit[] {
  const { front, side } = body.solid;
  const edge = {
    kind: flags.edge ?? front.kind,
    inMm: flags['edge-in'] ?? front.inMm,
    deepMm: flags['edge-deep'] ?? front.deepMm,
    steps: flags['edge-steps'] ?? front.steps,
  };
  // an edge of its own takes the front edge's sizes
  const ownBack = flags['back-edge'] === 'same' ? undefined : flags['back-edge'];
  return [
    {
      kind: 'setSolid',
      pieceId,
      values: defined({
        depthMm: flags.depth,
        front: edge,
        back: ownBack === undefined ? undefined : { ...edge, kind: ownBack },
        backAsFront: flags['back-edge'] === 'same',
        edgesAdd: flags['edge-adds-depth'],
        side: {
          kind: flags.side ?? side.kind,
          amountMm: flags['side-amount'] ?? side.amountMm,
          steps: flags['side-steps'] ?? side.steps,
          divisions: flags.divisions ?? side.divisions,
        },
      }),
    },
    { kind: 'setFaces', pieceId, values: defined({ toleranceMm: flags.tolerance }) },
  ];
}

/** Hollow, a wire, or as it is. */
export function contourOf({ outline, wire, 'wire-sides': sides }: Flags): Contour | undefined {
  if (outline !== undefined && wire !== undefined)
    throw fault('FLAG_VALUE', '--outline and --wire can not both be. Leave one out.');
  if (outline !== undefined) return { ...usualHollow(), wallMm: outline };
  if (wire === undefined) return undefined;
  const usual = usualWire();
  return { ...usual, thickMm: wire, sides: sides === undefined ? usual.sides : 4 * Math.ceil(sides / 4) };
}

/** Without the fields that are undefined, so that they don't overwrite the usual values. */
export function defined<T extends object>(values: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>;
  };
}
