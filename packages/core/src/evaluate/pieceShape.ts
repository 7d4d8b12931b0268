import { contourOf, type Rod } from '../contours/index.ts';
import {
  isLettering,
  isWords,
  type Body,
  type Contour,
  type Edge,
  type LetteringPiece,
  type OwnLetter,
  type Piece,
} from '../document/index.ts';
import { facesAsked } from '../faces/index.ts';
import type { LetteringOptions, SolidShape } from '../lettering/index.ts';
import { divisionsAlong, isPlain, isStraight, STRAIGHT_SIDE, type EdgeShape, type SideShape } from '../solid/index.ts';

type Options = Pick<LetteringOptions, 'solid' | 'ownSolids' | 'bands' | 'corners' | 'along' | 'faces' | 'supportMm'>;

/** Of words or a drawing: what its outlines become before the solid, and what is built on them. Mm. */
export function pieceShape(piece: LetteringPiece): Options {
  const { source, body } = piece;
  const { contour } = source;
  const rod = rodOf(piece);
  const bands = contourOf(contour).bands(contour, body.solid.emboldenMm);
  return {
    solid: rod ? rodShape(rod) : withDepth(body, contour, body.solid),
    ownSolids: rod ? new Map() : ownSolids(source.own, body, contour),
    // a drawing's lines are wires before they are outlines
    bands: rod && !isWords(piece) ? undefined : bands,
    corners: body.solid.corners,
    along: body.solid.along,
    faces: facesAsked(body.faces),
    supportMm: body.faces.supportMm,
  };
}

/** The rod that a piece is instead of a solid. */
export function rodOf({ source: { contour }, body }: LetteringPiece): Rod | undefined {
  return contourOf(contour).rod?.(contour, { ...body.solid.front, ...toleranceOf(body) });
}

const rodShape = ({ thickMm, edge }: Rod): SolidShape => ({
  depthMm: thickMm,
  front: edge,
  back: edge,
  isRidged: true,
});

/** Depth of the front's rim of a piece. */
export function frontOf(piece: Piece): number {
  if (!isLettering(piece)) return 0;
  const { depthMm, swell } = pieceShape(piece).solid;
  const back = swell?.backMm ?? 0;
  const whole = depthMm + back + (swell?.frontMm ?? 0);
  return back + depthMm - { back: 0, middle: whole / 2, front: whole }[piece.source.depthAnchor];
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
  const bolder = contourOf(contour).growsAsSolid ? solid.emboldenMm : 0;
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
const wideOf = (edge: Edge): number => (isPlain(edge) ? 0 : edge.inMm);
const deepOf = (edge: Edge): number => (isPlain(edge) ? 0 : edge.deepMm);

/** A straight side is divided as finely as what changes along the depth asks for. */
function sideOf({ solid: { side, along }, faces }: Body): SideShape {
  const pieces = divisionsAlong(along, faces.toleranceMm);
  if (!isStraight(side)) return { ...side, twistPieces: along.twistDegrees === 0 ? 0 : pieces };
  return { ...STRAIGHT_SIDE, divisions: Math.max(side.divisions, pieces) };
}
