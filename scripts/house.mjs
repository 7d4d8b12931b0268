import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { FORM } from './houseForm.mjs';
import { ROOT } from './steps.mjs';

// What is written down in more places than one: counted, told with its places (`--all`), and held to what it was at
// most. A figure that got smaller has to be entered (`npm run house -- --set`), so that it does not grow again; all of
// them are meant to come to 0.

const BOUNDS = `${ROOT}/scripts/house.json`;
const [flag] = process.argv.slice(2);

/** Code of the product: no tests, no helpers of tests. */
function filesUnder(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return entry.name === 'testing' ? [] : filesUnder(path);
    return /\.tsx?$/.test(entry.name) && !/\.(test|d)\.tsx?$/.test(entry.name) ? [path] : [];
  });
}

const files = readdirSync(`${ROOT}/packages`)
  .flatMap((name) => filesUnder(`${ROOT}/packages/${name}/src`))
  .filter((path) => !path.endsWith('fonts/src/shipped.ts'))
  .map((path) => ({
    path: relative(ROOT, path),
    source: ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true),
  }));

const anyOf = (...patterns) => new RegExp(patterns.map(({ source }) => `(?:${source})`).join('|'));

/** Kinds whose home is known, and where their names may stand. */
const HOMES = [
  {
    of: 'steps',
    names: new Set(
      readdirSync(`${ROOT}/packages/core/src/steps`, { withFileTypes: true })
        .filter((e) => e.isDirectory())
        .map((e) => e.name),
    ),
    home: anyOf(
      /^packages\/(core\/src\/steps|words\/src\/en\/steps)\//,
      /migrations\.ts$|fields\/stepPictures\.tsx$/,
      /^packages\/core\/src\/solid\//,
    ),
  },
  {
    of: 'formats',
    names: new Set(['obj', 'stl', 'ply', 'glb']),
    home: /^packages\/core\/src\/io\//,
    property: /format/i,
  },
  {
    of: 'faces',
    names: new Set(['plain', 'bands', 'grid', 'flow']),
    home: /^packages\/core\/src\/faces\//,
    property: /style|faces/i,
  },
  {
    of: 'sources',
    names: new Set(['words', 'drawing', 'form', 'model']),
    home: /^packages\/core\/src\/document\/(kinds|migrations)\.ts$/,
    property: /source/i,
  },
  {
    of: 'edges and sides',
    names: new Set([
      'plain',
      'chamfer',
      'round',
      'cove',
      'step',
      'ogee',
      'bead',
      'straight',
      'bulge',
      'waist',
      'v',
      'drawn',
    ]),
    home: /^packages\/core\/src\/solid\/section\//,
    property: /(edge|side|front|back|shape)\.kind$/i,
  },
  {
    of: 'contours',
    names: new Set(['full', 'hollow', 'wire']),
    home: /^packages\/core\/src\/(contours\/|document\/migrations\.ts)/,
    property: /contour\.kind$/i,
  },
  {
    of: 'forms',
    names: new Set(['block', 'ball', 'turned', 'tube', 'ring', 'coil', 'shell', 'panel']),
    home: /^packages\/core\/src\/form\//,
    property: /form\.kind$/i,
  },
  {
    of: 'remarks',
    names: new Set(remarkCodes()),
    // the core is where they come from
    home: /^packages\/(core\/src|words\/src\/en\/remarks)\//,
    property: /(^|\.)code$/,
  },
];

/** The codes of remarks and errors. */
function remarkCodes() {
  const text = readFileSync(`${ROOT}/packages/core/src/base/codes.ts`, 'utf8');
  return [...text.matchAll(/^  ([A-Z_]+): /gm)].map(([, code]) => code);
}

const REGISTRIES = anyOf(
  /^packages\/core\/src\/(steps|fields)\//,
  /^packages\/cli\/src\/(flagKinds|stepFlags)\.ts$/,
  /^packages\/web\/src\/fields\//,
);
// what files of others may hold is no field, and a remark tells a range that it has found
const FIELDS = /^packages\/core\/src\/(fields|steps|document\/fields|io|evaluate)\/|migrations\.ts$/;
const COMPUTED = /^packages\/core\/src\/(evaluate|lettering|job)\//;

const found = { literals: [], switches: [], ranges: [], keys: [], meanings: [] };
const placeOf = ({ path, source }, node) => `${path}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}`;

const COMPARES = new Set([ts.SyntaxKind.EqualsEqualsEqualsToken, ts.SyntaxKind.ExclamationEqualsEqualsToken]);

/** What a literal is held against, as it is written; undefined where it is held against nothing. */
function comparedWith(node) {
  const { parent } = node;
  if (ts.isBinaryExpression(parent) && COMPARES.has(parent.operatorToken.kind))
    return (parent.left === node ? parent.right : parent.left).getText();
  if (ts.isCaseClause(parent)) return parent.parent.parent.expression.getText();
  return undefined;
}

function look(file, node) {
  if (ts.isStringLiteral(node)) {
    const other = comparedWith(node);
    const home =
      other && HOMES.find(({ names, property = /(^|\.)kind$/ }) => names.has(node.text) && property.test(other));
    if (home && !home.home.test(file.path)) found.literals.push(`${placeOf(file, node)} ${home.of} ${node.text}`);
  }
  if (
    ts.isSwitchStatement(node) &&
    /\.?(kind|format|style|code)$/.test(node.expression.getText()) &&
    !REGISTRIES.test(file.path)
  )
    found.switches.push(placeOf(file, node));
  if (
    ts.isPropertyAssignment(node) &&
    /^(min|max)$/.test(node.name.getText()) &&
    isNumber(node.initializer) &&
    !FIELDS.test(file.path)
  )
    found.ranges.push(placeOf(file, node));
  if (
    ts.isCallExpression(node) &&
    /\.(min|max)$/.test(node.expression.getText()) &&
    /z\s*\.number\(\)[.\w()]*\.\w+$/.test(node.expression.getText()) &&
    !FIELDS.test(file.path)
  )
    found.ranges.push(placeOf(file, node));
  if (ts.isJsxAttribute(node) && /^(min|max)$/.test(node.name.getText()) && hasNumber(node.initializer))
    found.ranges.push(placeOf(file, node));
  if (ts.isCallExpression(node) && node.expression.getText() === 'JSON.stringify' && COMPUTED.test(file.path))
    found.keys.push(placeOf(file, node));
  if (
    (ts.isVariableDeclaration(node) || ts.isPropertyAssignment(node)) &&
    /key$/i.test(node.name.getText()) &&
    node.initializer &&
    ts.isTemplateExpression(node.initializer) &&
    COMPUTED.test(file.path)
  )
    found.keys.push(placeOf(file, node));
  ts.forEachChild(node, (child) => look(file, child));
}

const hasNumber = (value) =>
  value !== undefined && ts.isJsxExpression(value) && value.expression !== undefined && isNumber(value.expression);
const isNumber = (node) =>
  ts.isNumericLiteral(node) || (ts.isPrefixUnaryExpression(node) && ts.isNumericLiteral(node.operand));

/** Names of types that several files of one package give, exported or not. */
function typesTwice() {
  const by = new Map();
  for (const { path, source } of files)
    for (const one of source.statements) {
      if (!(ts.isInterfaceDeclaration(one) || ts.isTypeAliasDeclaration(one) || ts.isClassDeclaration(one))) continue;
      const key = `${path.split('/')[1]} ${one.name.text}`;
      by.set(key, [...(by.get(key) ?? []), path]);
    }
  return [...by].filter(([, places]) => places.length > 1).map(([key, places]) => `${key}: ${places.join(', ')}`);
}

/** Names that two files of one package export. */
function doubled() {
  const by = new Map();
  for (const file of files)
    for (const one of file.source.statements) {
      if (!one.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) continue;
      const names = ts.isVariableStatement(one)
        ? one.declarationList.declarations.map(({ name }) => name.getText())
        : [one.name?.getText()];
      for (const name of names.filter(Boolean)) {
        const key = `${file.path.split('/')[1]} ${name}`;
        by.set(key, [...(by.get(key) ?? []), file.path]);
      }
    }
  return [...by]
    .filter(([, places]) => new Set(places).size > 1)
    .map(([key, places]) => `${key}: ${[...new Set(places)].join(', ')}`);
}

for (const file of files) look(file, file.source);
found.meanings = doubled();
found.types = typesTwice();
for (const [name, { found: look }] of Object.entries(FORM)) found[name] = look();

const TOLD = {
  literals: 'names of kinds outside their home',
  switches: 'switches over kinds outside the registries',
  ranges: 'ranges outside fields',
  keys: 'keys put together by hand',
  meanings: 'names that are exported with two meanings',
  types: 'names of types that stand in several files',
  ...Object.fromEntries(Object.entries(FORM).map(([name, { told }]) => [name, told])),
};
const bounds = JSON.parse(readFileSync(BOUNDS, 'utf8'));
let wrong = 0;
for (const [name, places] of Object.entries(found)) {
  const count = places.length;
  const most = bounds[name] ?? 0;
  process.stdout.write(`${String(count).padStart(4)} ${TOLD[name]} (at most ${most})\n`);
  if (flag === '--all' || count > most) places.forEach((place) => process.stdout.write(`       ${place}\n`));
  if (count > most) wrong++;
  if (count < most && flag !== '--set') {
    process.stdout.write(`     fewer than before: enter it with npm run house -- --set\n`);
    wrong++;
  }
}
const counts = Object.entries(found).map(([name, places]) => [name, places.length]);
if (flag === '--set') writeFileSync(BOUNDS, `${JSON.stringify(Object.fromEntries(counts), null, 2)}\n`);
else process.exit(wrong === 0 ? 0 : 1);
