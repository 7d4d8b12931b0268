import {
  aroundBoxes,
  boxOfPoints,
  isGroup,
  ownEntry,
  spotOf,
  transformPoints,
  turnedBack,
  STILL,
  type Box3,
  type Item,
  type Pivot,
  type PivotSpots,
  type Project,
  type ShownPiece,
  type Transform,
  type Vec3,
} from '@fictile/core';
import { texts } from '../words/index.ts';
import { ALL_SPOTS, spotKey, spotName, type Spot } from './spotNames.ts';

/** A place of a piece or a group that may become its pivot. */
export interface PivotMark {
  key: string;
  /** what it is a place of: see `ofWhat` */
  of: string;
  /** of the 27 places of that; undefined: a corner of an outline */
  spot: Spot | undefined;
  /** in the own space of the piece or group, mm */
  at: Vec3;
  pivot: Pivot;
  label: string;
  /** the letter whose places it leads to */
  letter: { pieceId: string; id: number; text: string } | undefined;
}

/** What has places: the whole, a piece of a group, letters. */
export interface PivotOwner {
  key: string;
  name: string;
}

/** The whole of a piece or a group, among what has places. */
export const WHOLE = 'whole';

export interface SpotsByPiece {
  [pieceId: string]: PivotSpots | undefined;
}

/** How pieces stand of which something is to be marked. */
export interface MarkedItem {
  item: Item;
  /** the pieces that it comes to, as they are built */
  pieces: readonly ShownPiece[];
  /** from a group's own space to the scene; of a piece it does not matter */
  transform: Transform;
  spots: SpotsByPiece;
}

/** All places that may become the pivot, the whole's first. */
export function pivotMarks(marked: MarkedItem, project: Pick<Project, 'pieces'>): PivotMark[] {
  return isGroup(marked.item) ? groupMarks(marked, project) : pieceMarks(marked.item.id, marked.spots[marked.item.id]);
}

/** Of what marks are, each once. */
export function ownersOf(marks: readonly PivotMark[], project: Pick<Project, 'pieces'>): PivotOwner[] {
  const names = new Map<string, string>();
  for (const { of, letter } of marks) if (!names.has(of)) names.set(of, ownerName({ of, letter }, marks, project));
  return [...names].map(([key, name]) => ({ key, name }));
}

function ownerName(
  { of, letter }: Pick<PivotMark, 'of' | 'letter'>,
  marks: readonly PivotMark[],
  { pieces }: Pick<Project, 'pieces'>,
): string {
  const t = texts.pivot;
  if (of === WHOLE) return t.whole;
  const name = ownEntry(pieces, letter?.pieceId ?? of)?.name ?? '';
  if (!letter) return name;
  const isOnly = marks.every((one) => !one.letter || one.letter.pieceId === letter.pieceId);
  return isOnly ? t.letter(letter.text) : t.letterOf(letter.text, name);
}

const NEAR_MM = 1e-6;

/** Whether a mark is where something is, both in the space of the marks. */
export const isAt = (mark: PivotMark, at: Vec3 | undefined): boolean =>
  at !== undefined && mark.at.every((v, k) => Math.abs(v - at[k]) < NEAR_MM);

function boxMarks(
  of: string,
  box: Box3,
  made: (spot: Spot, at: Vec3) => Omit<PivotMark, 'key' | 'of' | 'spot' | 'at'>,
) {
  return ALL_SPOTS.map((spot): PivotMark => {
    const at = spotOf(box, spot);
    return { key: `${of} ${spotKey(spot)}`, of, spot, at, ...made(spot, at) };
  });
}

/** In the piece's own space. */
function pieceMarks(pieceId: string, spots: PivotSpots | undefined): PivotMark[] {
  if (!spots?.box) return [];
  const whole = boxMarks(WHOLE, spots.box, (spot) => ({
    pivot: { kind: 'box', ...spot },
    label: spotName(spot),
    letter: undefined,
  }));
  const letters = spots.letters.flatMap(({ id, text, box }) =>
    boxMarks(`letter ${pieceId} ${id}`, box, (spot) => ({
      pivot: { kind: 'letter', letter: id, ...spot },
      label: texts.pivot.of(spotName(spot), text),
      letter: { pieceId, id, text },
    })),
  );
  const names = new Map(spots.letters.map(({ id, text }) => [id, text]));
  const corners = spots.corners.map(({ id, at }, i): PivotMark => ({
    key: `corner ${pieceId} ${i}`,
    of: `letter ${pieceId} ${id}`,
    spot: undefined,
    at,
    pivot: { kind: 'point', pointMm: at },
    label: texts.pivot.of(texts.pivot.outline, names.get(id) ?? ''),
    letter: { pieceId, id, text: names.get(id) ?? '' },
  }));
  return [...whole, ...letters, ...corners];
}

/** In the group's own space; its pivot is a place there. */
function groupMarks({ pieces, transform, spots }: MarkedItem, project: Pick<Project, 'pieces'>): PivotMark[] {
  const inside = pieces.flatMap((shown) => {
    const own = turnedBack(transform, shown.transform);
    const into = (at: Vec3): Vec3 => Array.from(transformPoints(own, Float64Array.from(at))) as Vec3;
    return pieceMarks(shown.pieceId, spots[shown.pieceId]).map((mark): PivotMark => {
      const at = into(mark.at);
      const of = mark.of === WHOLE ? shown.pieceId : mark.of;
      const name = ownEntry(project.pieces, shown.pieceId)?.name ?? '';
      const label = mark.of === WHOLE ? texts.pivot.of(mark.label, name) : mark.label;
      return { ...mark, key: `${shown.pieceId} ${mark.key}`, of, at, pivot: { kind: 'point', pointMm: at }, label };
    });
  });
  const corners = inside.filter(({ spot, letter }) => spot && !letter).map(({ at }) => at);
  if (corners.length === 0) return [];
  const box = corners.map((at) => boxOfPoints(Float64Array.from(at))).reduce((so, one) => aroundBoxes(so, one));
  const whole = boxMarks(WHOLE, box, (spot, at) => ({
    pivot: { kind: 'point', pointMm: at },
    label: spotName(spot),
    letter: undefined,
  }));
  return [...whole, ...inside];
}

/** From the space of marks to the scene. */
export const marksTransform = ({ item, pieces, transform }: MarkedItem): Transform =>
  isGroup(item) ? transform : (pieces.find(({ pieceId }) => pieceId === item.id)?.transform ?? STILL);
