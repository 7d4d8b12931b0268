import { newPiece, newProject } from '../../document/index.ts';
import { packProject } from '../../io/index.ts';
import { sha256Hex } from '../../base/index.ts';
import { glbOf, TETRAHEDRON_BIN, tetrahedron } from './glbParts.ts';
import type { AttackFormat } from './attackFiles.ts';
import { bytesOf } from './text.ts';

export interface Sample {
  name: string;
  format: AttackFormat | 'fictile' | 'font';
  isText: boolean;
  bytes: Uint8Array;
}

/** A small house: a box with a roof, of triangles, quads and a pentagon. */
const POINTS = [
  [0, 0, 0],
  [2, 0, 0],
  [2, 0, 3],
  [0, 0, 3],
  [0, 2, 0],
  [2, 2, 0],
  [2, 2, 3],
  [0, 2, 3],
  [1, 3.25, 0],
  [1, 3.25, 3],
];
const FACES = [
  [0, 1, 2, 3],
  [0, 4, 8, 5, 1],
  [3, 2, 6, 9, 7],
  [0, 3, 7, 4],
  [1, 5, 6, 2],
  [4, 7, 9, 8],
  [5, 8, 9, 6],
];
const TRIANGLES = FACES.flatMap((face) => face.slice(2).map((_, i) => [face[0], face[i + 1], face[i + 2]]));

const linesOf = <T>(rows: readonly T[], line: (row: T) => string): string =>
  rows.map((row) => `${line(row)}\n`).join('');

const obj = (): Uint8Array =>
  bytesOf(
    '# a house\no House\n' +
      linesOf(POINTS, (p) => `v ${p.join(' ')}`) +
      linesOf(FACES, (f) => `f ${f.map((i) => i + 1).join(' ')}`),
  );

const textStl = (): Uint8Array =>
  bytesOf(
    'solid House\n' +
      linesOf(TRIANGLES, (t) => {
        const places = linesOf(t, (i) => `vertex ${POINTS[i].join(' ')}`);
        return `facet normal 0 0 0\nouter loop\n${places}endloop\nendfacet`;
      }) +
      'endsolid House\n',
  );

function binaryStl(): Uint8Array {
  const out = new Uint8Array(84 + 50 * TRIANGLES.length);
  const view = new DataView(out.buffer);
  view.setUint32(80, TRIANGLES.length, true);
  TRIANGLES.forEach((t, i) =>
    t.forEach((p, k) => POINTS[p].forEach((v, c) => view.setFloat32(84 + 50 * i + 12 + 12 * k + 4 * c, v, true))),
  );
  return out;
}

const plyHeader = (format: string): string =>
  `ply\nformat ${format} 1.0\ncomment a house\nelement vertex ${POINTS.length}\nproperty float x\nproperty ` +
  `float y\nproperty float z\nelement face ${FACES.length}\nproperty list uchar int vertex_indices\nend_header\n`;

const textPly = (): Uint8Array =>
  bytesOf(
    plyHeader('ascii') + linesOf(POINTS, (p) => p.join(' ')) + linesOf(FACES, (f) => `${f.length} ${f.join(' ')}`),
  );

function binaryPly(little: boolean): Uint8Array {
  const head = bytesOf(plyHeader(little ? 'binary_little_endian' : 'binary_big_endian'));
  const size = 12 * POINTS.length + FACES.reduce((sum, face) => sum + 1 + 4 * face.length, 0);
  const out = new Uint8Array(head.length + size);
  const view = new DataView(out.buffer);
  out.set(head);
  let at = head.length;
  for (const value of POINTS.flat()) {
    view.setFloat32(at, value, little);
    at += 4;
  }
  for (const face of FACES) {
    view.setUint8(at++, face.length);
    for (const i of face) {
      view.setInt32(at, i, little);
      at += 4;
    }
  }
  return out;
}

const glb = (): Uint8Array =>
  glbOf(
    tetrahedron({
      nodes: [
        { children: [1, 2], translation: [1, 2, 3] },
        { mesh: 0, scale: [2, 1, 1] },
        { mesh: 0, rotation: [0, 0.6, 0, 0.8] },
      ],
      materials: [{ name: 'clay', pbrMetallicRoughness: { baseColorFactor: [0.5, 0.2, 0.1, 1] } }],
    }),
    TETRAHEDRON_BIN,
  );

const svg = (): Uint8Array =>
  bytesOf(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 60" width="90mm"><style>.a, g > ' +
      'path{fill:#b45f3c}</style><defs><path id="p" d="M5 5h20v10q5 5 9 0z"/></defs><g transform="translate(3 4) ' +
      'rotate(10)"><path class="a" d="M0 0C5 5 10 5 15 0A9 9 0 0 1 30 9Z"/><use href="#p" x="9"/></g><circle ' +
      'cx="40" cy="30" r="8" fill="none" stroke="red" stroke-width="2"/></svg>',
  );

const project = newProject('row', 'Row', [newPiece('a', 'Kiln', [...'Kiln'])]);

/** A valid file of every kind that is read. `font`: bytes of a plain font file. */
export function samples(font: Uint8Array): Sample[] {
  const mesh = glb();
  return [
    { name: 'OBJ', format: 'obj', isText: true, bytes: obj() },
    { name: 'STL as text', format: 'stl', isText: true, bytes: textStl() },
    { name: 'STL', format: 'stl', isText: false, bytes: binaryStl() },
    { name: 'PLY as text', format: 'ply', isText: true, bytes: textPly() },
    { name: 'PLY', format: 'ply', isText: false, bytes: binaryPly(true) },
    { name: 'PLY, large end first', format: 'ply', isText: false, bytes: binaryPly(false) },
    { name: 'GLB', format: 'glb', isText: false, bytes: mesh },
    { name: 'GLB as text', format: 'glb', isText: true, bytes: mesh },
    { name: 'SVG', format: 'svg', isText: true, bytes: svg() },
    { name: 'document', format: 'json', isText: true, bytes: bytesOf(JSON.stringify(project)) },
    {
      name: 'project file',
      format: 'fictile',
      isText: false,
      bytes: packProject({ project, assets: new Map([[sha256Hex(mesh), mesh]]) }),
    },
    { name: 'font', format: 'font', isText: false, bytes: font },
  ];
}
