const size = (bytes: number): string =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

export interface FileFigures {
  faces: number;
  quads: number;
  vertices: number;
  bytes: number;
}

/** What is said where files are made. */
export const handOverTexts = {
  title: 'Hand over',
  pieces: 'Pieces',
  format: 'Format',
  formats: {
    glb: 'GLB, for engines and renderers',
    obj: 'OBJ, polygons as they are',
    stl: 'STL, for printing',
    ply: 'PLY, polygons as they are',
  },
  choices: {
    unit: 'Unit',
    up: 'Axis that points up',
    nodes: 'Nodes',
    materials: 'Finishes beside it (MTL)',
    triangles: 'Cut all faces into triangles',
    uv: 'Texture coordinates',
    uvTileMm: 'One picture covers',
    tangents: 'Tangents beside them',
    levels: 'Levels of detail',
    levelsAs: 'Levels go into',
  },
  values: {
    nodes: { one: 'one for each piece', letters: 'one for every letter' },
    uv: {
      none: 'none',
      words: 'over the whole piece',
      letters: 'letter by letter',
      packed: 'packed into one square',
    },
    levels: (n: number): string => (n === 1 ? 'this one alone' : `${n}, each with half the triangles`),
    levelsAs: {
      files: 'files of their own',
      objects: 'this file, as objects',
      linked: 'this file, linked (MSFT_lod)',
    },
  },
  beside: (coarser: number): string =>
    coarser === 1 ? 'One coarser file beside it.' : `${coarser} coarser files beside it.`,
  count: 'Counting',
  tolerance: 'Curves within',
  toleranceSame: 'as in the workshop',
  workshopCount: (faces: number): string => `${faces.toLocaleString('en')} faces in the workshop; the file holds`,
  none: 'Choose a piece to hand over.',
  holds: ({ faces, quads, vertices, bytes }: FileFigures): string => {
    const count = faces.toLocaleString('en');
    const shapes = quads === 0 ? `${count} triangles` : `${count} faces, ${quads.toLocaleString('en')} of them quads`;
    return `${shapes}, ${vertices.toLocaleString('en')} points, ${size(bytes)}`;
  },
  save: 'Save the file',
  picture: 'Still picture',
  width: 'Width',
  height: 'Height',
  ground: 'Clear ground',
  savePicture: 'Save the picture',
  readBack: 'Read it back',
  reading: 'Reading',
  backTitle: 'Read again, the file holds',
  back: (faces: number, points: number, shells: number): string =>
    `${faces.toLocaleString('en')} faces, ${points.toLocaleString('en')} ` +
    `points, ${shells === 1 ? '1 closed body or sheet' : `${shells.toLocaleString('en')} bodies or sheets`}`,
  backSize: (size: readonly number[], unit: string): string =>
    `${size.map((v) => Number(v.toPrecision(4))).join(' × ')} ${unit}`,
  backSound: 'Closed, manifold, outward, no crossing faces',
  backNot: (faults: readonly string[]): string => `Not fit for printing: ${faults.join(', ')}`,
  backFaults: { open: 'open', split: 'not manifold', inward: 'turned inside out', crossing: 'faces cross' },
  backNames: (names: readonly string[]): string => `Named: ${names.join(', ')}`,
  backFinishes: (names: readonly string[]): string => `Finishes: ${names.join(', ')}`,
  backFailed: 'The file could not be read back. Do not use it; tell us.',
  failed: 'The file could not be made.',
};
