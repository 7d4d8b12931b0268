import { zipSync } from 'fflate';
import { unwrap } from '../base/index.ts';
import { newPiece, newProject } from '../document/index.ts';
import { packProject, unpackProject } from './index.ts';

const project = newProject('p', 'Öffnung', [newPiece('a', 'Kiln', [...'Kiln 陶'])]);
const assets = new Map([['ab12', Uint8Array.from([1, 2, 3])]]);
const code = (bytes: Uint8Array): string => {
  const read = unpackProject(bytes);
  return read.ok ? 'read' : read.error.code;
};
const zipped = (entries: Record<string, string>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(entries).map(([name, text]) => [name, new TextEncoder().encode(text)])));

test('a project comes back with its assets, and the same project gives the same bytes', () => {
  const packed = packProject({ project, assets });
  expect(unwrap(unpackProject(packed))).toEqual({ project, assets });
  expect(packProject({ project, assets })).toEqual(packed);
});

test.each([
  ['nothing', new Uint8Array(0)],
  ['a text', new TextEncoder().encode('hello')],
  ['half a file', packProject({ project, assets }).slice(0, 100)],
  ['a zip of something else', zipped({ 'readme.txt': 'hello' })],
  ['a document that is no JSON', zipped({ 'document.json': '{' })],
  ['a document that is none', zipped({ 'document.json': '{"schemaVersion":1}' })],
])('%s is no project', (_, bytes) => expect(code(bytes)).toBe('PROJECT_BROKEN'));

test('one of a later version is told apart', () => {
  expect(code(zipped({ 'document.json': JSON.stringify({ ...project, schemaVersion: 99 }) }))).toBe('PROJECT_NEWER');
});

test('what claims to unpack beyond the limit is refused without unpacking it', () => {
  const bytes = zipped({ 'document.json': '{}' });
  const view = new DataView(bytes.buffer);
  for (let i = 0; i + 4 < bytes.length; i++)
    if (view.getUint32(i, true) === 0x02014b50) view.setUint32(i + 24, 0xfffffff0, true); // the directory's size
  expect(code(bytes)).toBe('TOO_LARGE');
});
