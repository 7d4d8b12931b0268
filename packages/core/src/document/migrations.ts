// Literal values of their time: what is usual today is no matter of a document that was written then. What stands here
// never changes; a stored document of every version (`testing/documents`) is brought up by it in the tests.

/** Pure: gives a new document, and never fails on what the version before could hold. */
export type Migration = (document: unknown) => unknown;

type Plain = Record<string, unknown>;

const BONE = { name: 'bone glaze', colour: '#f7e8c9', gloss: 58, metal: 0, glow: 0 };
const SIENNA = { name: 'sienna slip', colour: '#c87950', gloss: 50, metal: 0, glow: 0 };
const TERRACOTTA = { name: 'terracotta', colour: '#b45f3c', gloss: 28, metal: 0, glow: 0 };

/** Pieces get a place and finishes: those that version 1 was drawn with. */
function toVersion2(document: unknown): unknown {
  return withPieces(document, 2, (piece) => ({
    ...piece,
    placement: { stand: 'free', atMm: [0, 0, 0], turnDegrees: [0, 0, 0] },
    slots: { front: BONE, frontEdge: SIENNA, wall: TERRACOTTA, backEdge: SIENNA, back: BONE },
  }));
}

/** Pieces are held by their zero, and their backs look as they did; the scene gets a view. */
function toVersion3(document: unknown): unknown {
  const moved = withPieces(document, 3, (piece) => ({
    ...piece,
    placement: { by: 'zero', ...(piece.placement as Plain) },
    slots: { ...(piece.slots as Plain), backAsFront: false },
  }));
  return { ...moved, view: { surroundings: 'daylight', ground: true, kept: [] } };
}

/** Words stand straight and unstretched, at the size that was asked for. */
const toVersion4: Migration = (document) =>
  withPieces(document, 4, (piece) => ({
    ...piece,
    source: {
      ...plain(piece.source),
      sizeBy: 'capitals',
      fit: { to: 'none', widthMm: 200, heightMm: 100, onlyShrink: false },
      wordSpacePercent: 100,
      widthPercent: 100,
      heightPercent: 100,
      slantDegrees: 0,
      capitals: 'typed',
      line: { kind: 'straight' },
      contour: { kind: 'full' },
      own: {},
    },
  }));

/** Letters have no finish and no solid of their own, and no pair stands closer than the font says. */
const toVersion5: Migration = (document) =>
  withPieces(document, 5, (piece) => {
    const source = plain(piece.source);
    const own = Object.entries(plain(source.own)).map(([id, letter]) => [
      id,
      { ...plain(letter), finish: null, solid: null },
    ]);
    return { ...piece, source: { ...source, kernPairs: [], own: Object.fromEntries(own) } };
  });

const STRAIGHT = { kind: 'straight', amountMm: 3, steps: 6, divisions: 1 };

/** Sides are straight, and edges come out of the depth. */
const toVersion6: Migration = (document) =>
  withPieces(document, 6, (piece) => {
    const body = plain(piece.body);
    return { ...piece, body: { ...body, solid: { ...plain(body.solid), edgesAdd: false, side: STRAIGHT } } };
  });

const PLAIN_SOLID = {
  edgeSide: 'inward',
  stepsBy: 'count',
  emboldenMm: 0,
  corners: 'sharp',
  swell: { frontMm: 0, backMm: 0, curve: 'soft', steps: 8 },
  along: { about: 'whole', twistDegrees: 0, taperPercent: 0, shearMm: [0, 0], curveDegrees: 0, towardDegrees: 180 },
};

/** Nothing is drawn, swells or changes along the depth; wires are polygons. */
const toVersion7: Migration = (document) =>
  withPieces(document, 7, (piece) => {
    const body = plain(piece.body);
    const solid = plain(body.solid);
    const source = plain(piece.source);
    const own = Object.entries(plain(source.own)).map(([id, letter]) => {
      const one = plain(letter);
      return [id, { ...one, solid: one.solid === null ? null : withPoints(plain(one.solid), ['front']) }];
    });
    return {
      ...piece,
      source: { ...source, own: Object.fromEntries(own), contour: contourOf(plain(source.contour)) },
      body: { ...body, solid: { ...withPoints(solid, ['front', 'back', 'side']), ...PLAIN_SOLID } },
    };
  });

const PLAIN_FACES = { sizeMm: 0, bands: 12, bandsAxis: 'x', supportMm: 0 };

/** Faces are plain, without support loops. */
const toVersion8: Migration = (document) =>
  withPieces(document, 8, (piece) => {
    const body = plain(piece.body);
    return { ...piece, body: { ...body, faces: { ...PLAIN_FACES, ...plain(body.faces) } } };
  });

/** Meshes are reduced to a share or a count. */
const toVersion9: Migration = (document) =>
  withPieces(document, 9, (piece) => ({ ...piece, steps: stepsWith(piece, 'reduce', { errorMm: 0.1 }) }));

/** No step had shaped anything yet. */
const toVersion10: Migration = (document) => withPieces(document, 10, (piece) => piece);

/** Pieces were words or drawings, and nothing was laid onto anything. */
const toVersion11: Migration = (document) => withPieces(document, 11, (piece) => piece);

/** Nothing had cut anything. */
const toVersion12: Migration = (document) => withPieces(document, 12, (piece) => piece);

/** Lines had no edges of other pieces, and no places. */
const toVersion13: Migration = (document) => withPieces(document, 13, (piece) => piece);

/** Letters were laid all together, no line was drawn on a model, and models took finishes. */
const toVersion14: Migration = (document) =>
  withPieces(document, 14, (piece) => {
    const source = plain(piece.source);
    const laid = stepsWith(piece, 'onto', { guideMm: [], letters: [] });
    return { ...piece, steps: laid, source: source.kind === 'model' ? { paint: 'finish', ...source } : source };
  });

/** Version 15: a cut may have a ring of quads beside it. */
const toVersion15: Migration = (document) =>
  withPieces(document, 15, (piece) => ({ ...piece, steps: stepsWith(piece, 'cut', { ringMm: 0 }) }));

/** Version 16: what is laid onto another piece may be held by its middle. */
const toVersion16: Migration = (document) =>
  withPieces(document, 16, (piece) => ({ ...piece, steps: stepsWith(piece, 'onto', { heldBy: 'zero' }) }));

/**
 * Version 17: what is laid onto another piece may be held at a side of it, what cuts may merely lie there, models may
 * be turned over (all were turned outward), faces may stay as they are, and rounding may take sharp edges along.
 */
const toVersion17: Migration = (document) =>
  withPieces(document, 17, (piece) => {
    const [source, body] = [plain(piece.source), plain(piece.body)];
    return {
      ...piece,
      body: { ...body, faces: { shaped: 'fine', ...plain(body.faces) } },
      steps: stepsWith({ steps: stepsWith(piece, 'subdivide', { edges: 'stay' }) }, 'onto', {
        place: { kind: 'pressed' },
      }),
      source: source.kind === 'model' ? { sides: 'outward', ...source } : source,
    };
  });

/**
 * Version 18: there are groups, things hang on others, and pieces are sized as a whole. What a piece was held by has
 * become its pivot. Held by its foot it stood on its lowest point however it was tilted: so does what stands on the
 * table.
 */
const toVersion18: Migration = (document) => ({
  ...withPieces(document, 18, (piece) => {
    const { by, ...placement } = plain(piece.placement);
    return {
      ...piece,
      within: '',
      hung: null,
      placement: { ...placement, ...pivotFrom(by, placement), sizePercent: 100 },
    };
  }),
  groups: {},
});

/** Version 19: pieces may follow others; none did. */
const toVersion19: Migration = (document) => withPieces(document, 19, (piece) => piece);

function pivotFrom(by: unknown, { stand, turnDegrees }: Plain): Plain {
  const spot = { across: 'middle', up: 'middle', deep: 'middle' };
  if (by === 'middle') return { pivot: { kind: 'box', ...spot } };
  if (by !== 'foot') return { pivot: { kind: 'zero' } };
  const [tilt, , lean] = Array.isArray(turnDegrees) ? (turnDegrees as unknown[]) : [];
  if (stand === 'free' && tilt === 0 && lean === 0) return { pivot: { kind: 'box', ...spot, up: 'foot' } };
  return { pivot: { kind: 'box', ...spot }, stand: 'table' };
}

const contourOf = (contour: Plain): Plain => (contour.kind === 'wire' ? { ...contour, section: 'polygon' } : contour);

const withPoints = (solid: Plain, names: readonly string[]): Plain => ({
  ...solid,
  ...Object.fromEntries(names.map((name) => [name, { ...plain(solid[name]), points: [] }])),
});

/** Steps of a piece, those of a kind with values that they did not have yet. */
const stepsWith = ({ steps }: Plain, kind: string, values: Plain): Plain[] =>
  (Array.isArray(steps) ? steps.map(plain) : []).map((step) => (step.kind === kind ? { ...values, ...step } : step));

function withPieces(document: unknown, schemaVersion: number, change: (piece: Plain) => Plain): Plain {
  const { pieces, ...rest } = document as Plain;
  const changed = Object.entries(plain(pieces)).map(([id, piece]) => [id, change(plain(piece))]);
  return { ...rest, schemaVersion, pieces: Object.fromEntries(changed) };
}

/** What is no object at all is for the schema to refuse. */
const plain = (value: unknown): Plain => (typeof value === 'object' && value !== null ? (value as Plain) : {});

/** MIGRATIONS[n - 1] brings version n to n + 1. Version 1 is the first. */
export const MIGRATIONS: readonly Migration[] = [
  toVersion2,
  toVersion3,
  toVersion4,
  toVersion5,
  toVersion6,
  toVersion7,
  toVersion8,
  toVersion9,
  toVersion10,
  toVersion11,
  toVersion12,
  toVersion13,
  toVersion14,
  toVersion15,
  toVersion16,
  toVersion17,
  toVersion18,
  toVersion19,
];
