import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import ts from 'typescript';
import { ROOT } from './steps.mjs';

// The form of the code, tests too: what the formatter is kept from, lines that are too wide, functions and rooms that
// are too long. How many parameters stand by their places, lint counts (scripts/lint).

const WIDEST = 120;
const LONGEST_FUNCTION = 60;
const LARGEST_ROOM = 4000;

const tracked = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], { cwd: ROOT })
  .toString()
  .split('\n');
/** Written by hand: no catalogue, nothing generated. */
const written = tracked
  .filter((path) => /\.(tsx?|mts|mjs|css)$/.test(path) && !path.endsWith('fonts/src/shipped.ts'))
  .flatMap((path) => {
    try {
      return [{ path, text: readFileSync(`${ROOT}/${path}`, 'utf8') }];
    } catch {
      return []; // removed, and not yet committed
    }
  });
const isTest = (path) => /\.(test|spec)\.|\/testing\/|^(e2e|bench)\//.test(path);

const places = (wanted) =>
  written.flatMap(({ path, text }) =>
    text.split('\n').flatMap((line, i) => (wanted(line, path) ? [`${path}:${i + 1}`] : [])),
  );

/** Lines of code of a function as it is formatted, without comments and empty ones. */
const lengthOf = (node, source) =>
  source.text
    .slice(node.getStart(), node.end)
    .split('\n')
    .filter((line) => line.trim() !== '' && !/^\s*(\/\/|\/?\*)/.test(line)).length;

function longFunctions() {
  const found = [];
  for (const { path, text } of written) {
    if (isTest(path) || !/\.tsx?$/.test(path)) continue;
    const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
    const look = (node) => {
      if (ts.isFunctionLike(node) && node.body && lengthOf(node, source) > LONGEST_FUNCTION)
        found.push(`${path}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}`);
      ts.forEachChild(node, look);
    };
    look(source);
  }
  return found;
}

/** Folders of the page, without their tests. */
function largeRooms() {
  const rooms = new Map();
  for (const { path, text } of written) {
    const room = /^packages\/web\/src\/([^/]+)\//.exec(path)?.[1];
    if (room && /\.tsx?$/.test(path) && !isTest(path))
      rooms.set(room, (rooms.get(room) ?? 0) + text.split('\n').length);
  }
  return [...rooms].filter(([, lines]) => lines >= LARGEST_ROOM).map(([room, lines]) => `${room}: ${lines} lines`);
}

const IGNORE = new RegExp(['prettier', 'ignore'].join('-'));

export const FORM = {
  ignores: { told: 'places that the formatter is kept from', found: () => places((line) => IGNORE.test(line)) },
  wide: { told: `lines over ${WIDEST} columns`, found: () => places((line) => line.length > WIDEST) },
  long: { told: `functions over ${LONGEST_FUNCTION} lines`, found: longFunctions },
  rooms: { told: `rooms of the page of ${LARGEST_ROOM} lines and more`, found: largeRooms },
};
