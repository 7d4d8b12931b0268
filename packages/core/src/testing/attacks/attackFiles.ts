import { glbOf, TETRAHEDRON_BIN, tetrahedron } from './glbParts.ts';
import { bytesOf as text, textOf } from './text.ts';

export type AttackFormat = 'obj' | 'stl' | 'ply' | 'glb' | 'svg' | 'json';

/** A small file that asks for much, or says what is not so; whether a good reader takes it. */
export interface Attack {
  name: string;
  format: AttackFormat;
  bytes(): Uint8Array;
  /** `either`: to read it is right, and so is to say that it is too large */
  becomes: 'read' | 'refused' | 'either';
}

const many = (count: number, row: (i: number) => string): string =>
  Array.from({ length: count }, (_, i) => row(i)).join('');
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100">';
const svg = (body: string): Uint8Array => text(`${SVG}${body}</svg>`);
const SQUARE = '<path d="M0 0H50V50H0Z"/>';

function round(count: number, radius: (i: number) => number): [string, string][] {
  return Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count;
    return [(50 + radius(i) * Math.cos(angle)).toFixed(4), (50 + radius(i) * Math.sin(angle)).toFixed(4)];
  });
}

const ring = (corners: number, radius: (i: number) => number): Uint8Array => {
  const points = round(corners, radius);
  return text(
    `${points.map(([x, y], i) => `v ${x} ${y} ${(i % 3) / 7}`).join('\n')}\nf ${many(corners, (i) => `${i + 1} `)}\n`,
  );
};

const accessors = (first: object): object => ({
  accessors: [
    { bufferView: 0, componentType: 5126, count: 4, type: 'VEC3', ...first },
    { bufferView: 1, componentType: 5123, count: 12, type: 'SCALAR' },
  ],
});
const glb = (other: object): Uint8Array => glbOf(tetrahedron(other), TETRAHEDRON_BIN);
const primitive = (more: object): object => ({ meshes: [{ primitives: [{ attributes: { POSITION: 0 }, ...more }] }] });

const GLB: [string, Attack['becomes'], () => Uint8Array][] = [
  [
    'an accessor of 300 million numbers without a view',
    'refused',
    () =>
      glbOf(
        { ...tetrahedron({ accessors: [{ componentType: 5126, count: 3e8, type: 'VEC3' }] }), ...primitive({}) },
        TETRAHEDRON_BIN,
      ),
  ],
  ['an accessor longer than its view', 'refused', () => glb(accessors({ count: 5 }))],
  ['an accessor that begins before its view', 'refused', () => glb(accessors({ byteOffset: -12 }))],
  [
    'a view that begins before the file',
    'refused',
    () =>
      glb({
        bufferViews: [
          { buffer: 0, byteOffset: -4, byteLength: 48 },
          { buffer: 0, byteOffset: 48, byteLength: 24 },
        ],
      }),
  ],
  [
    'a view longer than the file',
    'refused',
    () =>
      glb({
        bufferViews: [
          { buffer: 0, byteLength: 48 },
          { buffer: 0, byteOffset: 48, byteLength: 2400 },
        ],
      }),
  ],
  [
    'a sparse accessor of 300 million numbers',
    'refused',
    () =>
      glb(
        accessors({
          bufferView: undefined,
          count: 3e8,
          sparse: { count: 1, indices: { bufferView: 1, componentType: 5123 }, values: { bufferView: 0 } },
        }),
      ),
  ],
  [
    'a packed view of a billion rows',
    'refused',
    () =>
      glb({
        extensionsRequired: ['EXT_meshopt_compression'],
        extensionsUsed: ['EXT_meshopt_compression'],
        bufferViews: [
          {
            buffer: 0,
            byteLength: 12e9,
            extensions: {
              EXT_meshopt_compression: { buffer: 0, byteLength: 48, byteStride: 12, count: 1e9, mode: 'ATTRIBUTES' },
            },
          },
          { buffer: 0, byteOffset: 48, byteLength: 24 },
        ],
      }),
  ],
  [
    'a chain of 2,000 nodes',
    'read',
    () =>
      glb({
        nodes: Array.from({ length: 2000 }, (_, i) =>
          i < 1999 ? { children: [i + 1], translation: [0, 0, 0.001] } : { mesh: 0 },
        ),
      }),
  ],
  ['a node that is its own child', 'refused', () => glb({ nodes: [{ mesh: 0, children: [0] }] })],
  [
    'nodes in a circle',
    'refused',
    () => glb({ nodes: [{ mesh: 0, children: [1] }, { children: [2] }, { children: [1] }] }),
  ],
  [
    'a node with two parents',
    'refused',
    () => glb({ nodes: [{ children: [2] }, { children: [2] }, { mesh: 0 }], scenes: [{ nodes: [0, 1] }] }),
  ],
  [
    '700 nodes of a mesh of 700 parts',
    'either',
    () =>
      glb({
        meshes: [{ primitives: Array.from({ length: 700 }, () => ({ attributes: { POSITION: 0 }, indices: 1 })) }],
        nodes: Array.from({ length: 700 }, () => ({ mesh: 0 })),
        scenes: [{ nodes: Array.from({ length: 700 }, (_, i) => i) }],
      }),
  ],
  [
    '30,000 nodes of a mesh of 3,000 parts',
    'refused',
    () =>
      glb({
        meshes: [{ primitives: Array.from({ length: 3000 }, () => ({ attributes: { POSITION: 0 }, indices: 1 })) }],
        nodes: Array.from({ length: 30_000 }, () => ({ mesh: 0 })),
        scenes: [{ nodes: Array.from({ length: 30_000 }, (_, i) => i) }],
      }),
  ],
  ['300,000 nodes', 'refused', () => glb({ nodes: Array.from({ length: 300_000 }, () => ({ mesh: 0 })) })],
  [
    'brackets 5,000 deep',
    'refused',
    () => glbOf(`{"asset":{"version":"2.0"},"extras":${'['.repeat(5000)}${']'.repeat(5000)}}`),
  ],
  ['a strip', 'read', () => glb(primitive({ mode: 5 }))],
  ['a fan', 'read', () => glb(primitive({ mode: 6 }))],
  [
    'a mesh outside the scene',
    'read',
    () => glb({ nodes: [{ mesh: 0 }, { mesh: 0, translation: [9, 0, 0] }], scenes: [{ nodes: [0] }] }),
  ],
  [
    'an index that names no point',
    'refused',
    () =>
      glbOf(
        tetrahedron(),
        TETRAHEDRON_BIN.map((v, i) => (i === 48 ? 200 : v)),
      ),
  ],
  [
    'a list cut inside a triangle',
    'refused',
    () =>
      glb({
        accessors: [
          { bufferView: 0, componentType: 5126, count: 4, type: 'VEC3' },
          { bufferView: 1, componentType: 5123, count: 11, type: 'SCALAR' },
        ],
      }),
  ],
  ['a place in a file elsewhere', 'refused', () => glb({ buffers: [{ byteLength: 72, uri: 'other.bin' }] })],
  [
    'points that are no numbers',
    'refused',
    () =>
      glbOf(
        tetrahedron(),
        TETRAHEDRON_BIN.map((v, i) => (i < 4 ? 255 : v)),
      ),
  ],
  [
    'copies that an extension makes',
    'refused',
    () =>
      glb({
        extensionsUsed: ['EXT_mesh_gpu_instancing'],
        nodes: [{ mesh: 0, extensions: { EXT_mesh_gpu_instancing: { attributes: { TRANSLATION: 0 } } } }],
      }),
  ],
  ['a mesh that is posed by weights', 'refused', () => glb({ nodes: [{ mesh: 0, weights: [0.5] }] })],
  ['an extension that nobody knows', 'refused', () => glb({ extensionsRequired: ['EXT_other_places'] })],
];

const PLY_HEAD = 'ply\nformat ascii 1.0\n';
const PLY: [string, Attack['becomes'], () => Uint8Array][] = [
  ['30 million elements that hold nothing', 'refused', () => text(`${PLY_HEAD}element nothing 30000000\nend_header\n`)],
  [
    'more points than the file has bytes',
    'refused',
    () =>
      text(
        `${PLY_HEAD}element vertex 30000000\nproperty float x\nproperty float y\nproperty float z\nend_header\n0 0 0\n`,
      ),
  ],
  [
    'a list longer than the file',
    'refused',
    () =>
      text(
        `${PLY_HEAD}element vertex 1\nproperty float x\nproperty float y\nproperty float z\nelement face ` +
          `1\nproperty list int int vertex_indices\nend_header\n0 0 0\n2000000000 0 0 0\n`,
      ),
  ],
  ['a number of 90 characters', 'read', () => ply(`0.${'3'.repeat(88)}`)],
  ['a number of 500 characters', 'refused', () => ply(`0.${'3'.repeat(498)}`)],
  ['a corner between two points', 'refused', () => ply('0', '3 0 1 1.5')],
  ['more behind it than it says', 'refused', () => ply('0', '3 0 1 2\n3 0 2 1')],
  ['lines that end as they do elsewhere', 'read', () => text(textOf(ply('0')).replace(/\n/g, '\r\n'))],
  ['a header without an end', 'refused', () => text(`${PLY_HEAD}${'comment nothing\n'.repeat(100)}`)],
];
const ply = (x: string, face = '3 0 1 2'): Uint8Array =>
  text(
    `${PLY_HEAD}element vertex 3\nproperty float x\nproperty float y\nproperty float z\nelement face 1\nproperty ` +
      `list uchar int vertex_indices\nend_header\n${x} 0 0\n1 0 0\n0 1 0\n${face}\n`,
  );

const FACET = 'facet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\nendloop\nendfacet\n';
const STL: [string, Attack['becomes'], () => Uint8Array][] = [
  ['text that ends between two facets', 'refused', () => text(`solid kiln\n${FACET.repeat(3)}`)],
  ['text that ends inside a facet', 'refused', () => text(`solid kiln\n${FACET}${FACET.slice(0, 50)}`)],
  ['a name that holds "vertex"', 'read', () => text(`solid the vertex of facet 3\n${FACET}endsolid the vertex\n`)],
  ['two solids', 'read', () => text(`solid a\n${FACET}endsolid a\nsolid b\n${FACET}endsolid b\n`)],
  [
    'a facet of four points',
    'refused',
    () => text(`solid a\n${FACET.replace('endloop', 'vertex 0 0 1\nendloop')}endsolid a\n`),
  ],
  ['four billion triangles in 84 bytes', 'refused', () => new Uint8Array(84).fill(255, 80)],
  ['lines that end as they do elsewhere', 'read', () => text(`solid a\n${FACET}endsolid a\n`.replace(/\n/g, '\r\n'))],
];

const OBJ: [string, Attack['becomes'], () => Uint8Array][] = [
  ['a face of 20,001 corners', 'refused', () => ring(20_001, () => 40)],
  ['a round face of 4,000 corners', 'read', () => ring(4000, () => 40)],
  ['a face of 4,000 corners like a star', 'read', () => ring(4000, (i) => (i % 2 ? 40 : 10))],
  ['a face that runs over itself 4,000 times', 'either', () => ring(4001, (i) => (i % 2 ? -40 : 40))],
  [
    '2,000 faces of 1,000 corners',
    'either',
    () =>
      text(
        `${many(1000, (i) => `v ${i % 17} ${i % 19} ${i}\n`)}${`f ${many(1000, (i) => `${i + 1} `)}\n`.repeat(2000)}`,
      ),
  ],
  ['a hexadecimal number', 'refused', () => text('v 0x10 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n')],
  ['one line of a million words', 'either', () => text(`v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n# ${'a '.repeat(1e6)}`)],
];

const DRAWINGS: [string, Attack['becomes'], () => Uint8Array][] = [
  [
    '60,000 rules',
    'refused',
    () => svg(`<style>${many(60_000, (i) => `.a${i}{fill:red}`)}</style>${SQUARE.repeat(400)}`),
  ],
  [
    '3,000 rules for 10,000 shapes',
    'either',
    () => svg(`<style>${many(3000, (i) => `.a${i}{fill:red}`)}</style>${many(10_000, () => '<g/>')}${SQUARE}`),
  ],
  [
    'a selector of twelve ancestors',
    'either',
    () => svg(`<style>${'g '.repeat(12)}rect{fill:red}</style>${'<g>'.repeat(150)}${SQUARE}${'</g>'.repeat(150)}`),
  ],
  ['a transform of 200 kB', 'read', () => svg(`<g transform="${'a'.repeat(200_000)}">${SQUARE}</g>`)],
  ['a length of 200,000 digits', 'read', () => svg(`<rect width="${'1'.repeat(200_000)}!" height="9"/>${SQUARE}`)],
  [
    '15,000 uses of a bad path',
    'either',
    () =>
      svg(`<defs><path id="a" d="M0 0${'L1 2'.repeat(2000)}!"/></defs>${'<use href="#a"/>'.repeat(15_000)}${SQUARE}`),
  ],
  [
    '15,000 uses of a good path',
    'either',
    () =>
      svg(
        '<defs><path id="a" d="M0 ' +
          `0${many(300, (i) => `L${i} ${i * i}`)}Z"/></defs>${'<use href="#a"/>'.repeat(15_000)}`,
      ),
  ],
  [
    'uses of uses',
    'refused',
    () =>
      svg(
        `<defs>${many(14, (i) => `<g id="g${i}">${`<use href="#g${i + 1}"/>`.repeat(10)}</g>`)}<g ` +
          `id="g14">${SQUARE}</g></defs><use href="#g0"/>`,
      ),
  ],
  ['1,000 groups in each other', 'refused', () => svg(`${'<g>'.repeat(1000)}${SQUARE}${'</g>'.repeat(1000)}`)],
  [
    'entities of entities',
    'refused',
    () =>
      text(
        '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa">' +
          many(9, (i) => `<!ENTITY a${i} "${`&a${i ? i - 1 : ''};`.repeat(10)}">`) +
          `]>${SVG}<text>&a8;</text></svg>`,
      ),
  ],
  [
    'a circle larger than numbers have room for',
    'refused',
    () => svg(`<circle r="${'8'.repeat(200)}" stroke="red" stroke-width="2"/>${SQUARE}`),
  ],
  ['a border as wide', 'refused', () => svg(`<path d="M0 0L9 9" stroke="red" stroke-width="${'8'.repeat(200)}"/>`)],
  ['a drawing scaled up as far', 'refused', () => svg(`<g transform="scale(1e150)">${SQUARE}</g>`)],
  [
    'a path of 200,000 pieces',
    'refused',
    () => svg(`<path d="M0 0${many(200_000, (i) => `L${i % 97} ${i % 89}`)}Z"/>`),
  ],
];

/** Drawings that are read, and what is built of them takes long unless it is told first. */
export const HEAVY_DRAWINGS: [string, () => Uint8Array][] = [
  ['a star of 4,001 points that runs over itself', () => svg(`<polygon points="${starOver(4001)}"/>`)],
  ['a path of 20,000 points', () => svg(`<polygon points="${round(20_000, (i) => 40 + (i % 2)).join(' ')}"/>`)],
  ['a path of 11,900 points', () => svg(`<polygon points="${round(11_900, (i) => 40 + (i % 2)).join(' ')}"/>`)],
  [
    'a scribble of 20,000 points',
    () => svg(`<polygon points="${many(20_000, (i) => `${(i * 7919) % 997},${(i * 104_729) % 991} `)}"/>`),
  ],
  [
    'a line of 20,000 points with a border',
    () =>
      svg(
        '<polyline fill="none" stroke="red" stroke-width="3" ' +
          `points="${many(20_000, (i) => `${(i * 7919) % 997},${(i * 104_729) % 991} `)}"/>`,
      ),
  ],
];

function starOver(points: number): string {
  const at = round(points, () => 45);
  return Array.from({ length: points }, (_, i) => at[(i * ((points - 1) / 2)) % points].join(',')).join(' ');
}

const projectText = (pieces: string, order: string): Uint8Array =>
  text(`{"schemaVersion":15,"id":"p","name":"","unit":"mm","pieces":{${pieces}},"pieceOrder":[${order}]}`);

const lettersThatAreNone = (count: number): string =>
  `{"source":{"kind":"words","graphemes":[${'{},'.repeat(count)}{}]}}`;

/** Documents: what they are refused by must not take longer than what they are. */
const DOCUMENTS: [string, Attack['becomes'], () => Uint8Array][] = [
  [
    '1.35 million empty pieces',
    'refused',
    () =>
      projectText(
        many(1_350_000, (i) => `${i ? ',' : ''}"${i}":{}`),
        '',
      ),
  ],
  ['brackets a million deep', 'refused', () => text(`{"schemaVersion":15,"a":${'['.repeat(1e6)}${']'.repeat(1e6)}}`)],
  ['four million commas', 'refused', () => text(`{"schemaVersion":15,"a":[${'1,'.repeat(4e6)}1]}`)],
  [
    '300 pieces of 900 letters that are none',
    'refused',
    () =>
      projectText(
        many(300, (i) => `${i ? ',' : ''}"${i}":${lettersThatAreNone(900)}`),
        '',
      ),
  ],
  ['one piece of 900,000 letters that are none', 'refused', () => projectText(`"a":${lettersThatAreNone(9e5)}`, '"a"')],
  [
    'names that every object answers to',
    'refused',
    () => projectText('"__proto__":{},"constructor":{}', '"constructor"'),
  ],
];

const rows = (format: AttackFormat, list: [string, Attack['becomes'], () => Uint8Array][]): Attack[] =>
  list.map(([name, becomes, bytes]) => ({ name, format, becomes, bytes }));

export const ATTACKS: readonly Attack[] = [
  ...rows('glb', GLB),
  ...rows('ply', PLY),
  ...rows('stl', STL),
  ...rows('obj', OBJ),
  ...rows('svg', DRAWINGS),
  ...rows('json', DOCUMENTS),
];
