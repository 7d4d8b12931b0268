import { existsSync, readdirSync, readFileSync } from 'node:fs';

// What docs/architecture.md says of where to add things is there.

const page = readFileSync('docs/architecture.md', 'utf8');
const section = (title: string): string => {
  const from = page.indexOf(`### ${title}`);
  const next = page.slice(from + 4).search(/\n#{2,3} /);
  return from < 0 ? '' : page.slice(from, from + 4 + next);
};

/** Paths are told from `packages`, or from a package's src. */
function exists(path: string): boolean {
  const [pkg, ...rest] = path.split('/');
  const inside = ['core', 'web', 'cli', 'words'].includes(pkg)
    ? `packages/${pkg}/src/${rest.filter((one, i) => i > 0 || one !== 'src').join('/')}`
    : path;
  return existsSync(inside) || existsSync(`packages/core/src/${path}`);
}

test.each(['Add a step', 'Add a field', 'Add a format', 'Add a check', 'Add a remark', 'Add a form', 'Add a column'])(
  '%s: every file that it names is there',
  (title) => {
    const named = [...section(title).matchAll(/`((?:[\w.]+\/)+[\w.]*)`/g)].map(([, path]) => path);
    expect(named.length).toBeGreaterThan(0);
    expect(named.filter((path) => !exists(path.replace(/\/$/, '')))).toEqual([]);
  },
);

test('a kind of step is where the page says: a folder, a line in the list, its words', () => {
  const folders = readdirSync('packages/core/src/steps', { withFileTypes: true }).filter((one) => one.isDirectory());
  const list = readFileSync('packages/core/src/steps/list.ts', 'utf8');
  const words = readdirSync('packages/words/src/en/steps')
    .map((file) => readFileSync(`packages/words/src/en/steps/${file}`, 'utf8'))
    .join('\n');
  for (const { name } of folders) {
    expect(list).toContain(`'./${name}/index.ts'`);
    expect(words).toContain(`stepWords('${name}'`);
  }
});

test('a format is where the page says: a file, a line in the list', () => {
  const list = readFileSync('packages/core/src/io/formats/list.ts', 'utf8');
  for (const [, name] of list.matchAll(/from '\.\/(\w+)\.ts'/g))
    expect(readFileSync(`packages/core/src/io/formats/${name}.ts`, 'utf8')).toContain('defineFormat(');
});
