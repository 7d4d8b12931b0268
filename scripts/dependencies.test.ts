import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';

// The arrows between packages, and the levels inside core, as docs/architecture.md draws them. Tests and their helpers
// are left out.

const ROOT = resolve('.');
const ARROWS: Readonly<Record<string, readonly string[]>> = {
  core: [],
  words: ['core'],
  kernels: [],
  fonts: [],
  contract: ['core'],
  server: ['core', 'kernels', 'contract', 'fonts'],
  web: ['core', 'words', 'kernels', 'contract'],
  cli: ['core', 'words', 'kernels', 'fonts'],
};
const CORE_LEVELS: Readonly<Record<string, number>> = {
  base: 0,
  math: 1,
  fields: 1,
  outline: 2,
  mesh: 2,
  check: 3,
  refine: 4,
  shape: 4,
  solid: 4,
  form: 4,
  faces: 5,
  contours: 5,
  steps: 5,
  document: 6,
  text: 7,
  drawing: 7,
  boolean: 7,
  surface: 8,
  io: 8,
  lettering: 8,
  voxel: 9,
  evaluate: 10,
  job: 11,
};
const WEB_LEVELS: Readonly<Record<string, number>> = {
  words: 0,
  ui: 1,
  api: 1,
  store: 2,
  worker: 2,
  viewport: 3,
  commands: 3,
  fonts: 3,
  views: 4,
  fields: 4,
  pieces: 4,
  copies: 4,
  pivots: 4,
  checks: 4,
  handover: 4,
  versions: 4,
  silhouette: 4,
  help: 4,
  figures: 4,
  recipe: 5,
  section: 6,
  putting: 6,
  rack: 6,
  typecase: 6,
  bench: 7,
  tools: 8,
  workshop: 9,
  app: 10,
};

interface Import {
  file: string;
  target: string;
}

function filesUnder(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return entry.name === 'testing' ? [] : filesUnder(path);
    return /\.tsx?$/.test(entry.name) && !/\.test\.tsx?$/.test(entry.name) ? [path] : [];
  });
}

function importsOf(pkg: string): Import[] {
  return filesUnder(join(ROOT, 'packages', pkg, 'src')).flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/(?:from|import)\s*\(?\s*['"]([^'"]+)['"]/g)].map((match) => ({
      file,
      target: match[1],
    })),
  );
}

describe('arrows between packages', () => {
  test.each(Object.keys(ARROWS))('%s', (pkg) => {
    const wrong = importsOf(pkg).filter(({ file, target }) => {
      const own = /^@fictile\/([a-z]+)/.exec(target)?.[1];
      if (own !== undefined) return !ARROWS[pkg].includes(own);
      return target.startsWith('.') && !resolve(dirname(file), target).startsWith(join(ROOT, 'packages', pkg));
    });
    expect(wrong).toEqual([]);
  });
});

test('contract takes only what core says of errors and documents', () => {
  const named = filesUnder(join(ROOT, 'packages/contract/src')).flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/import (?:type )?\{([^}]*)\} from '@fictile\/core'/g)].flatMap((m) =>
      m[1].split(',').map((n) => n.trim()),
    ),
  );
  expect(named.sort()).toEqual(['ErrorCode', 'profileSchema', 'projectSchema']);
});

const roomOf = (pkg: string, path: string): string => relative(join(ROOT, 'packages', pkg, 'src'), path).split('/')[0];

function wrongRooms(
  pkg: string,
  levels: Readonly<Record<string, number>>,
  allowed: readonly [string, string][] = [],
): string[] {
  return importsOf(pkg)
    .filter(({ target }) => target.startsWith('.'))
    .map(({ file, target }) => [roomOf(pkg, file), roomOf(pkg, resolve(dirname(file), target))])
    .filter(([from, to]) => from !== to && from in levels && to in levels && !(levels[to] < levels[from]))
    .filter(([from, to]) => !allowed.some(([a, b]) => a === from && b === to))
    .map(([from, to]) => `${from} -> ${to}`);
}

const roomsOf = (pkg: string): string[] =>
  readdirSync(join(ROOT, 'packages', pkg, 'src'), { withFileTypes: true })
    .filter((e) => e.isDirectory() && e.name !== 'testing')
    .map((e) => e.name)
    .sort();

test('rooms of core import only lower levels', () => {
  expect(wrongRooms('core', CORE_LEVELS)).toEqual([]);
  expect(roomsOf('core')).toEqual(Object.keys(CORE_LEVELS).sort());
});

test('rooms of the page import only lower levels; three stays in the viewport', () => {
  expect(wrongRooms('web', WEB_LEVELS)).toEqual([]);
  expect(roomsOf('web')).toEqual(Object.keys(WEB_LEVELS).sort());
  const three = importsOf('web').filter(({ target }) => /^(three|@react-three)(\/|$)/.test(target));
  expect(new Set(three.map(({ file }) => roomOf('web', file)))).toEqual(new Set(['viewport']));
});

test('no file imports itself in a circle', () => {
  for (const pkg of Object.keys(ARROWS)) {
    const edges = new Map<string, string[]>();
    for (const { file, target } of importsOf(pkg)) {
      if (target.startsWith('.')) edges.set(file, [...(edges.get(file) ?? []), resolve(dirname(file), target)]);
    }
    const done = new Set<string>();
    const visit = (file: string, path: readonly string[]): void => {
      if (path.includes(file)) throw new Error(`circle: ${[...path, file].map((f) => relative(ROOT, f)).join(' -> ')}`);
      if (done.has(file)) return;
      for (const next of edges.get(file) ?? []) visit(next, [...path, file]);
      done.add(file);
    };
    for (const file of edges.keys()) visit(file, []);
  }
});
