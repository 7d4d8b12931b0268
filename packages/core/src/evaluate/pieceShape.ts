import {
  isLettering,
  type Body,
  type Contour,
  type Edge,
  type Faces,
  type LetteringPiece,
  type OwnLetter,
  type Piece,
  type Solid,
} from '../document/index.ts';
import type { LetteringFaces, LetteringOptions, SolidShape } from '../lettering/index.ts';
import { divisionsAlong, STRAIGHT_SIDE, edgeOfWire, wireEdge, type EdgeShape, type SideShape } from '../solid/index.ts';

type Options = Pick<LetteringOptions, 'solid' | 'ownSolids' | 'bands' | 'corners' | 'along' | 'faces' | 'supportMm'>;

/** Of words or a drawing: what its outlines become before the solid, and what is built on them. Mm. */
export function pieceShape({ source, body }: LetteringPiece): Options {
  const { contour } = source;
  const isWire = contour.kind === 'wire';
  return {
    solid: isWire ? wireShape(contour, body) : withDepth(body, contour, body.solid),
    ownSolids: isWire ? new Map() : ownSolids(source.own, body, contour),
    // a drawing's lines are wires before they are outlines
    bands: isWire && source.kind === 'drawing' ? undefined : bandsOf(contour, body.solid),
    corners: body.solid.corners,
    along: body.solid.along,
    faces: facesOf(body.faces),
    supportMm: body.faces.supportMm,
  };
}

export function facesOf({ style, sizeMm, bands, bandsAxis }: Faces): LetteringFaces {
  if (style === 'plain') return { kind: style };
  return style === 'bands' ? { kind: style, count: bands, axis: bandsAxis } : { kind: style, sizeMm };
}

/** Depth of the front's rim of a piece. */
export function frontOf(piece: Piece): number {
  if (!isLettering(piece)) return 0;
  const { depthMm, swell } = pieceShape(piece).solid;
  const back = swell?.backMm ?? 0;
  const whole = depthMm + back + (swell?.frontMm ?? 0);
  return back + depthMm - { back: 0, middle: whole / 2, front: whole }[piece.source.depthAnchor];
}

function wireShape({ thickMm, section, sides }: Extract<Contour, { kind: 'wire' }>, body: Body): SolidShape {
  const { front } = body.solid;
  const edge = section === 'edge' ? edgeOfWire(thickMm, { ...front, ...toleranceOf(body) }) : wireEdge(thickMm, sides);
  return { depthMm: thickMm, front: edge, back: edge, isRidged: true };
}

function ownSolids(own: Readonly<Record<string, OwnLetter>>, body: Body, contour: Contour): Map<number, SolidShape> {
  return new Map(
    Object.entries(own).flatMap(([id, letter]) =>
      letter.solid ? [[Number(id), withDepth(body, contour, letter.solid)] as const] : [],
    ),
  );
}

/** A body's edges and side on a depth, which the edges may come on top of. A sheet stays one. */
function withDepth(body: Body, contour: Contour, own: { depthMm: number; front: Edge }): SolidShape {
  const { solid } = body;
  const tolerance = toleranceOf(body);
  const shaped = (edge: Edge): EdgeShape => ({ ...edge, ...tolerance });
  const { depthMm, front } = own;
  const back = solid.backAsFront ? front : solid.back;
  // hollow letters were made bolder before they were hollow
  const bolder = contour.kind === 'full' ? solid.emboldenMm : 0;
  if (depthMm === 0) return { depthMm, front: PLAIN, back: PLAIN, shiftMm: 0 - bolder };
  const added = solid.edgesAdd ? deepOf(front) + deepOf(back) : 0;
  return {
    depthMm: depthMm + added,
    front: shaped(front),
    back: shaped(back),
    side: { ...sideOf(body), ...tolerance },
    shiftMm: 0 - bolder - (solid.edgeSide === 'outward' ? grownBy(front, back) : 0),
    ...(solid.swell.frontMm > 0 || solid.swell.backMm > 0 ? { swell: solid.swell } : {}),
  };
}

/** Curves of edges and sides are cut within the tolerance of the faces, if they are asked to be. */
const toleranceOf = ({ solid, faces }: Body): { toleranceMm?: number } =>
  solid.stepsBy === 'tolerance' ? { toleranceMm: faces.toleranceMm } : {};

const PLAIN: EdgeShape = { kind: 'plain', inMm: 0, deepMm: 0, steps: 1 };

/** An outward edge grows the body by its width, so that the front keeps its outline; without one the back does. */
const grownBy = (front: Edge, back: Edge): number => wideOf(front) || wideOf(back);
const wideOf = ({ kind, inMm }: Edge): number => (kind === 'plain' ? 0 : inMm);
const deepOf = ({ kind, deepMm }: Edge): number => (kind === 'plain' ? 0 : deepMm);

/** A straight side is divided as finely as what changes along the depth asks for. */
function sideOf({ solid: { side, along }, faces }: Body): SideShape {
  const pieces = divisionsAlong(along, faces.toleranceMm);
  if (side.kind !== 'straight') return { ...side, twistPieces: along.twistDegrees === 0 ? 0 : pieces };
  return { ...STRAIGHT_SIDE, divisions: Math.max(side.divisions, pieces) };
}

function bandsOf(contour: Contour, { emboldenMm }: Solid): LetteringOptions['bands'] {
  if (contour.kind === 'full') return undefined;
  if (contour.kind === 'wire')
    return { outward: contour.thickMm / 2, wide: contour.thickMm, count: 1, gap: 0, join: 'round' };
  const { wallMm, side, count, gapMm } = contour;
  return {
    outward: emboldenMm + wallMm * { inside: 0, center: 0.5, outside: 1 }[side],
    wide: wallMm,
    count,
    gap: gapMm,
    join: 'miter',
  };
}
