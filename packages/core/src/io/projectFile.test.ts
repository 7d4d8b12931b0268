import { zipSync } from 'fflate';
import { sha256Hex, unwrap } from '../base/index.ts';
import { newPiece, newProject } from '../document/index.ts';
import { packProject, unpackProject } from './index.ts';

const project = newProject('p', 'Öffnung', [newPiece('a', 'Kiln', [...'Kiln 陶'])]);
const asset = Uint8Array.from([1, 2, 3]);
const assets = new Map([[sha256Hex(asset), asset]]);
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

describe('what is not what it says', () => {
  const packed = packProject({ project, assets });
  const at = (text: string, from = 0): number =>
    Buffer.from(packed.buffer, packed.byteOffset, packed.length).indexOf(text, from);

  test('an asset that was changed on the way', () => {
    const bytes = packed.slice();
    const place = at(String.fromCharCode(1, 2, 3));
    bytes[place] ^= 4;
    expect(unpackProject(bytes)).toMatchObject({ ok: false, error: { params: { why: 'its checksum differs' } } });
  });

  test('an asset under the name of another', () => {
    const other = packProject({ project, assets: new Map([[sha256Hex(new Uint8Array(1)), asset]]) });
    expect(unpackProject(other)).toMatchObject({
      ok: false,
      error: { params: { why: 'its content is not what it is named by' } },
    });
  });

  test('a document of other bytes', () => {
    const bytes = packed.slice();
    bytes[at('document.json') + 40] ^= 1;
    expect(code(bytes)).toBe('PROJECT_BROKEN');
  });
});
