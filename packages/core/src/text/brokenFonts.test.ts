import { readFileSync } from 'node:fs';
import { zlibSync } from 'fflate';
import { fontPath, SHIPPED_FONTS } from '@fictile/fonts';
import { loadKernels, unpackWoff2 } from '@fictile/kernels';
import { quietContext, seededRandom, unwrap } from '../base/index.ts';
import { applyEdit, newPiece, newProject } from '../document/index.ts';
import { Engine, pieceMesh, type Evaluated } from '../evaluate/index.ts';
import { checkMesh } from '../check/index.ts';
import { compositeGlyph, madeFont, simpleGlyph } from '../testing/madeFont.ts';
import { describeFont, familiesOf, openFont, readSfnt, unpackFonts, writeSfnt, type Kernels } from './index.ts';

let kernels: Kernels;
beforeAll(async () => {
  kernels = await loadKernels();
});

const shipped = (family: string, style = 0): Uint8Array => {
  const found = SHIPPED_FONTS.find((f) => f.family === family);
  return new Uint8Array(readFileSync(fontPath(found?.styles[style].hash ?? '') ?? ''));
};
const describe1 = (bytes: Uint8Array) => describeFont(kernels, { bytes, hash: 'h', fallback: 'File' });
const unpack = (bytes: Uint8Array) => unpackFonts(bytes, 'File', unpackWoff2);

/** Words in a font of their own. */
async function built(font: Uint8Array, text: string): Promise<Evaluated> {
  const style = { name: 'Regular', weight: 400, italic: false, hash: 'made' };
  const catalogue = [{ family: 'Made', kind: 'own', styles: [style], axes: [], licence: '', covers: '' }];
  const engine = new Engine({ kernels, catalogue, loadFont: async () => font, cacheBytes: 64e6 });
  const values = { font: { family: 'Made', weight: 400, italic: false, axes: {} } };
  const project = newProject('p', 'p', [newPiece('a', 'a', [...text])]);
  return unwrap(
    await engine.evaluate(unwrap(applyEdit(project, { kind: 'setWords', pieceId: 'a', values })), 'a', quietContext),
  );
}

const SQUARE = simpleGlyph([
  [
    [100, 0],
    [100, 700],
    [600, 700],
    [600, 0],
  ],
]);

describe('a font made here', () => {
  test('is read as it was made', async () => {
    const font = madeFont([[], SQUARE]);
    expect(unwrap(describe1(font))).toMatchObject({
      family: 'File',
      covers: '41',
      style: { name: 'Regular', weight: 400 },
    });
    const { clusters, remarks } = await built(font, 'A');
    expect([remarks, checkMesh(clusters[0].mesh).closed]).toEqual([[], true]);
  });

  test('a composite that contains itself, or two that contain each other, end', async () => {
    const font = madeFont([[], compositeGlyph([1]), compositeGlyph([3]), compositeGlyph([2]), SQUARE]);
    const { clusters, remarks } = await built(font, 'ABCD');
    expect(clusters).toHaveLength(4); // boxes stand in for those without end, the square is itself
    expect(remarks).toMatchObject([{ code: 'GLYPH_MISSING', params: { characters: 'A B C' } }]);
  });

  test('composites of composites that would double 30 times stay bounded', async () => {
    const doubling = Array.from({ length: 30 }, (_, i) => compositeGlyph([i + 1, i + 1]));
    const { clusters, remarks } = await built(madeFont([[], SQUARE, ...doubling]), '_');
    expect(clusters).toHaveLength(1); // the box that stands in for what can't be drawn
    expect(remarks).toMatchObject([{ code: 'GLYPH_MISSING' }]);
  });

  test('65,535 glyphs are no trouble', () => {
    expect(unwrap(describe1(madeFont([[], SQUARE], 65_535))).covers).toBe('41');
  });

  test('an outline of 100,000 points is left out, and told', async () => {
    const star = Array.from({ length: 50_000 }, (_, i): [number, number] => {
      const angle = (2 * Math.PI * i) / 50_000;
      const radius = 400 + (i % 2) * 60;
      return [Math.round(500 + radius * Math.cos(angle)), Math.round(500 + radius * Math.sin(angle))];
    });
    const font = madeFont([[], SQUARE, simpleGlyph([star]), compositeGlyph([2, 2])]);
    const { clusters, remarks } = await built(font, 'AC');
    expect(clusters).toHaveLength(1);
    expect(remarks).toContainEqual({ code: 'OUTLINE_TOO_LARGE', params: { letters: 'C', limit: 12_000 } });
  });

  test('a contour that crosses itself, one that is open and one of a single point make sound solids', async () => {
    const odd = simpleGlyph([
      [
        [0, 0],
        [700, 700],
        [700, 0],
        [0, 700],
      ],
      [[800, 100]],
      [
        [900, 0],
        [950, 400],
      ],
    ]);
    const { clusters } = await built(madeFont([[], odd]), 'A');
    const mesh = pieceMesh({ clusters } as Evaluated);
    expect(checkMesh(mesh)).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
  });
});

describe('damage', () => {
  test('whatever bytes are changed, a font is refused or opened, and never hangs', async () => {
    const random = seededRandom(7);
    const whole = shipped('Zilla Slab');
    let refused = 0;
    for (let i = 0; i < 60; i++) {
      const bytes = i % 3 === 0 ? whole.slice(0, Math.floor(random() * whole.length)) : whole.slice();
      for (let k = 0; k < 40; k++)
        bytes[Math.floor(random() * Math.min(bytes.length, 4000))] = Math.floor(random() * 256);
      const opened = openFont(kernels, { bytes, hash: String(i), name: 'File', axes: {} });
      if (!opened.ok) refused++;
      else
        for (const { glyph } of opened.value.shape('Kiln', { direction: 'ltr', language: '', features: {} }))
          opened.value.curves(glyph);
    }
    expect(refused).toBeGreaterThan(0);
  });

  test.each([0.2, 0.4, 0.99])(
    'a font that was cut short at %p of its length is refused, not set in another',
    (share) => {
      const whole = shipped('Zilla Slab');
      const bytes = whole.slice(0, Math.floor(share * whole.length));
      const opened = openFont(kernels, { bytes, hash: 'h', name: 'File', axes: {} });
      expect(opened).toEqual({ ok: false, error: { code: 'FONT_BROKEN', params: { name: 'File', why: 'cut' } } });
    },
  );

  test.each(['glyf', 'loca', 'hmtx', 'GSUB', 'name', 'OS/2'])('a table %s of rubbish is survived', (tag) => {
    const { flavour, tables } = unwrap(readSfnt(shipped('Zilla Slab'), 0, 'File'));
    const random = seededRandom(3);
    const rubbish = new Map(tables).set(
      tag,
      Uint8Array.from({ length: 500 }, () => random() * 256),
    );
    const read = describe1(writeSfnt({ flavour, tables: rubbish }));
    expect(read.ok ? read.value.style.weight >= 1 : read.error.code).toBeTruthy();
  });
});

describe('unpacking', () => {
  const woff = (bytes: Uint8Array, claim = 0): Uint8Array => {
    const { flavour, tables } = unwrap(readSfnt(bytes, 0, 'File'));
    const rows = [...tables].map(([tag, data]) => ({ tag, data, packed: zlibSync(data) }));
    const head = 44 + 20 * rows.length;
    const out = new Uint8Array(
      rows.reduce((sum, { data, packed }) => sum + Math.min(packed.length, data.length), head),
    );
    const view = new DataView(out.buffer);
    view.setUint32(0, 0x774f4646);
    view.setUint32(4, flavour);
    view.setUint16(12, rows.length);
    let at = head;
    rows.forEach(({ tag, data, packed }, i) => {
      const stored = packed.length < data.length ? packed : data;
      for (let k = 0; k < 4; k++) out[44 + 20 * i + k] = tag.charCodeAt(k);
      [at, stored.length, claim || data.length, 0].forEach((v, k) => view.setUint32(48 + 20 * i + 4 * k, v));
      out.set(stored, at);
      at += stored.length;
    });
    return out;
  };
  const collection = (...fonts: Uint8Array[]): Uint8Array => {
    const head = 12 + 4 * fonts.length;
    const out = new Uint8Array(fonts.reduce((sum, font) => sum + font.length, head));
    const view = new DataView(out.buffer);
    [0x74746366, 0x00010000, fonts.length].forEach((v, k) => view.setUint32(4 * k, v));
    let at = head;
    fonts.forEach((font, i) => {
      out.set(font, at);
      view.setUint32(12 + 4 * i, at);
      const tables = new DataView(font.buffer, font.byteOffset).getUint16(4);
      for (let k = 0; k < tables; k++) view.setUint32(at + 20 + 16 * k, view.getUint32(at + 20 + 16 * k) + at);
      at += font.length;
    });
    return out;
  };
  const told = (bytes: Uint8Array) => unwrap(describe1(bytes));

  test('a plain font stays as it is', async () => {
    const font = shipped('Zilla Slab');
    expect(unwrap(await unpack(font))).toEqual([font]);
  });

  test('WOFF and WOFF2 say the same as what was packed', async () => {
    const font = shipped('Zilla Slab');
    const packer: string = 'wawoff2'; // a package without types
    const { compress } = ((await import(packer)) as { default: { compress(bytes: Uint8Array): Promise<Uint8Array> } })
      .default;
    for (const packed of [woff(font), await compress(font)]) {
      const [plain] = unwrap(await unpack(packed));
      expect(told(plain)).toEqual(told(font));
    }
  });

  test('each face of a collection stands alone, and faces of one family come together', async () => {
    const [regular, bold] = [shipped('Work Sans', 0), shipped('Work Sans', 1)];
    const faces = unwrap(await unpack(collection(regular, bold))).map((bytes, i) => {
      const read = unwrap(describeFont(kernels, { bytes, hash: `h${i}`, fallback: 'File' }));
      return read;
    });
    expect(faces.map((face) => face.style.weight)).toEqual([told(regular).style.weight, told(bold).style.weight]);
    const [family] = familiesOf(faces, SHIPPED_FONTS, 'own');
    expect([family.family, family.styles.length]).toEqual(['Work Sans (brought in)', 2]);
  });

  test.each([
    ['a WOFF that claims to be huge', () => woff(shipped('Zilla Slab'), 0x7fffffff)],
    ['a WOFF that claims another size', () => woff(shipped('Zilla Slab'), 70_000)],
    ['a WOFF cut short', () => woff(shipped('Zilla Slab')).slice(0, 3000)],
    [
      'a WOFF2 of rubbish',
      () => Uint8Array.from({ length: 900 }, (_, i) => [0x77, 0x4f, 0x46, 0x32][i] ?? (i * 31) & 15),
    ],
    ['a collection of nothing', () => collection()],
    ['a collection that points outside', () => collection(shipped('Zilla Slab')).slice(0, 600)],
    ['a few bytes', () => new Uint8Array(9)],
  ])('%s is refused', async (_, bytes) => {
    expect(await unpack(bytes())).toMatchObject({ ok: false, error: { code: 'FONT_BROKEN' } });
  });
});
