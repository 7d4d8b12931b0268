import {
  parseLength,
  usualHollow,
  usualWire,
  type Contour,
  type Edge,
  type Edit,
  type Faces,
  type Piece,
  type Profile,
  type Solid,
  type Step,
} from '@fictile/core';
import { isProfileFile, lengthPair } from './flagKinds.ts';
import type { Flags } from './flags.ts';
import { fault } from './messages.ts';
import { readProfile } from './profileFile.ts';
import { stepsOf } from './stepsOf.ts';

/** What flags say of the solid and its faces, for words and drawings alike. */
export async function bodyEdits(flags: Flags, { id: pieceId, body }: Piece, onto?: Step): Promise<Edit[]> {
  const { side, swell, along } = body.solid;
  const values: Extract<Edit, { kind: 'setSolid' }>['values'] = defined({
    depthMm: flags.depth,
    ...(await edgesOf(flags, body.solid)),
    backAsFront: flags['back-edge'] === 'same',
    edgesAdd: flags['edge-adds-depth'],
    edgeSide: flags['edge-side'],
    stepsBy: flags['steps-by'],
    emboldenMm: flags.embolden,
    corners: flags.corners,
    side: {
      ...side,
      ...(await shapeOf<Solid['side']['kind']>(flags.side)),
      ...defined({ amountMm: flags['side-amount'], steps: flags['side-steps'], divisions: flags.divisions }),
    },
    swell: {
      ...swell,
      ...defined({
        frontMm: flags.swell,
        backMm: flags['swell-back'],
        curve: flags['swell-curve'],
        steps: flags['swell-steps'],
      }),
    },
    along: {
      ...along,
      ...defined({
        about: flags.about,
        twistDegrees: flags.twist,
        taperPercent: flags.taper,
        shearMm: flags.shear === undefined ? undefined : lengthPair(flags.shear),
        curveDegrees: flags.curve,
        towardDegrees: flags['curve-toward'],
      }),
    },
  });
  return [
    { kind: 'setSolid', pieceId, values },
    { kind: 'setFaces', pieceId, values: facesOf(flags) },
    {
      kind: 'setSteps',
      pieceId,
      steps: [...(await stepsOf(flags, 'shape')), ...(onto ? [onto] : []), ...(await stepsOf(flags, 'faces'))],
    },
  ];
}

function facesOf(flags: Flags): Partial<Faces> {
  const size = flags['face-size'];
  return defined({
    toleranceMm: flags.tolerance,
    style: flags.faces,
    sizeMm: size === undefined ? undefined : size === 'auto' ? 0 : parseLength(size),
    bands: flags.bands,
    bandsAxis: flags['bands-axis'],
    supportMm: flags.support,
  });
}

/** A back edge of its own takes the front edge's sizes. */
async function edgesOf(flags: Flags, { front }: Solid): Promise<Partial<Pick<Solid, 'front' | 'back'>>> {
  const edge: Edge = {
    ...front,
    ...(await shapeOf<Edge['kind']>(flags.edge)),
    ...defined({ inMm: flags['edge-in'], deepMm: flags['edge-deep'], steps: flags['edge-steps'] }),
  };
  const own = flags['back-edge'];
  if (own === undefined || own === 'same') return { front: edge };
  return { front: edge, back: { ...edge, ...(await shapeOf<Edge['kind']>(own)) } };
}

/** A kind by its name, or what a file has drawn. */
async function shapeOf<K extends string>(value: string | undefined): Promise<{ kind?: K; points?: Profile }> {
  if (value === undefined) return {};
  if (!isProfileFile(value)) return { kind: value as K };
  return { kind: 'drawn' as K, points: await readProfile(value) };
}

/** Hollow, a wire, or as it is. */
export function contourOf({ outline, wire, 'wire-sides': sides, 'wire-section': section }: Flags): Contour | undefined {
  if (outline !== undefined && wire !== undefined)
    throw fault('FLAG_VALUE', '--outline and --wire can not both be. Leave one out.');
  if (outline !== undefined) return { ...usualHollow(), wallMm: outline };
  if (wire === undefined) return undefined;
  const usual = usualWire();
  return {
    ...usual,
    thickMm: wire,
    section: section ?? usual.section,
    sides: sides === undefined ? usual.sides : 4 * Math.ceil(sides / 4),
  };
}

/** Without the fields that are undefined, so that they don't overwrite the usual values. */
export function defined<T extends object>(values: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>;
  };
}
