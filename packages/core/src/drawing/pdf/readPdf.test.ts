import { degrees, PDFDocument, PDFName, PDFString, type PDFDict } from 'pdf-lib';
import { unwrap } from '../../base/index.ts';
import { drawingSize, readDrawing, type ReadDrawing } from '../index.ts';

/** A page of 200 by 100 points whose content is as it is written; `more`: what its names stand for. */
async function pdf(
  content: string,
  more: (file: PDFDocument, resources: PDFDict) => void = () => {},
): Promise<Uint8Array> {
  const file = await PDFDocument.create();
  const page = file.addPage([200, 100]);
  const resources = file.context.obj({});
  page.node.set(PDFName.of('Resources'), resources);
  page.node.set(PDFName.of('Contents'), file.context.register(file.context.flateStream(content)));
  more(file, resources);
  return file.save();
}

const read = async (bytes: Uint8Array): Promise<ReadDrawing> => unwrap(await readDrawing(bytes));
const colours = ({ shape }: ReadDrawing): string[] => shape.colours.map(({ name }) => name);
const told = ({ remarks }: ReadDrawing): unknown[] =>
  remarks.map(({ params }) => ('what' in params ? `${params.what} ${'count' in params ? params.count : ''}` : ''));
const POINT = 25.4 / 72;

test('areas, lines and their colours come in at their own size, upright', async () => {
  const drawing = await read(
    await pdf(
      '1 0 0 rg 10 10 72 36 re f q 0 0 1 RG 4 w 1 0 0 1 100 0 cm 0 20 m 50 20 l S Q 0 1 0 0 k 10 60 m 40 60 l 10 ' +
        '80 l h f',
    ),
  );
  expect(colours(drawing)).toEqual(['#ff0000', '#0000ff', '#ff00ff']);
  const { widthMm, heightMm } = drawingSize(drawing.shape);
  expect(widthMm).toBeCloseTo(140 * POINT, 5);
  expect(heightMm).toBeCloseTo(70 * POINT, 5);
  expect(told(drawing)).toEqual([]);
  // the triangle lies above the rectangle
  const [red, , magenta] = drawing.shape.elements.map(({ path }) =>
    Math.min(...[...path.matchAll(/[ML]\S+ (-?[\d.]+)/g)].map((m) => Number(m[1]))),
  );
  expect(magenta).toBeGreaterThan(red);
});

test('curves are the same whichever way they are written; what is filled by even and odd keeps its holes', async () => {
  const [whole, first, last] = await Promise.all(
    ['0 0 m 0 0 20 40 40 40 c f', '0 0 m 20 40 40 40 v f', '0 0 m 0 20 40 40 y f'].map(async (text) =>
      read(await pdf(text)),
    ),
  );
  expect(first.shape.elements[0].path).toBe(whole.shape.elements[0].path);
  expect(last.shape.elements[0].path).toMatch(/C\S+ (\S+) (\S+ \S+) \2Z?/);
  const holed = await read(await pdf('0 0 50 50 re 10 10 20 20 re f*'));
  expect(holed.shape.elements[0]).toMatchObject({ paint: { kind: 'fill', rule: 'evenodd' } });
});

test('drawings within a drawing, with names of their own, states and inks', async () => {
  const bytes = await pdf(
    'q 2 0 0 2 0 0 cm /Leaf Do Q /Ink cs 0.5 scn 60 0 10 10 re f /Faint gs 80 0 10 10 re f',
    (file, resources) => {
      const { context } = file;
      const tint = context.obj({ FunctionType: 2, Domain: [0, 1], C0: [0, 0, 0, 0], C1: [1, 0, 0, 0], N: 1 });
      const leaf = context.flateStream('0 1 0 rg 0 0 10 10 re f', {
        Type: 'XObject',
        Subtype: 'Form',
        BBox: [0, 0, 10, 10],
        Matrix: [1, 0, 0, 1, 5, 0],
      });
      resources.set(PDFName.of('XObject'), context.obj({ Leaf: context.register(leaf) }));
      resources.set(PDFName.of('ColorSpace'), context.obj({ Ink: ['Separation', 'Glaze', 'DeviceCMYK', tint] }));
      resources.set(PDFName.of('ExtGState'), context.obj({ Faint: { ca: 0 } }));
    },
  );
  const drawing = await read(bytes);
  expect(colours(drawing)).toEqual(['#00ff00', '#80ffff']);
  // from 10 to 30, twice as large, and from 60 to 70; what can be seen through altogether is nothing
  expect(drawingSize(drawing.shape).widthMm).toBeCloseTo(60 * POINT, 5);
});

test('text, pictures, shades and odd clips are told; hidden layers and the second page are left out', async () => {
  const content =
    'BT /F 12 Tf (\\) Do) Tj ET BI /W 1 /H 1 /BPC 8 /CS /G ID x EI 0 0 40 40 re W n 0 0 m 9 0 l 5 9 l h W n ' +
    '/Grey sh 1 0 0 rg 0 0 20 20 re f /OC /Off BDC 0 0 99 99 re f EMC';
  const bytes = await pdf(content, (file, resources) => {
    const layer = file.context.register(file.context.obj({ Type: 'OCG', Name: PDFString.of('off') }));
    resources.set(PDFName.of('Properties'), file.context.obj({ Off: layer }));
    file.catalog.set(PDFName.of('OCProperties'), file.context.obj({ OCGs: [layer], D: { OFF: [layer] } }));
    file.addPage();
  });
  const drawing = await read(bytes);
  expect(told(drawing).sort()).toEqual(['clip 1', 'gradient 1', 'pages 1', 'picture 1', 'text 1']);
  expect(drawingSize(drawing.shape).widthMm).toBeCloseTo(20 * POINT, 5);
});

test('a page that is turned comes in turned', async () => {
  const bytes = await pdf('0 0 80 20 re f', (file) => file.getPage(0).setRotation(degrees(90)));
  const { widthMm, heightMm } = drawingSize((await read(bytes)).shape);
  expect([widthMm, heightMm]).toEqual([expect.closeTo(20 * POINT, 5), expect.closeTo(80 * POINT, 5)]);
});

test('what is damaged, locked, empty or without end is refused in its own words', async () => {
  const whole = await pdf('0 0 80 20 re f');
  const fault = async (bytes: Uint8Array): Promise<unknown> => {
    const answer = await readDrawing(bytes);
    return answer.ok ? undefined : answer.error;
  };
  const broken = { code: 'DRAWING_BROKEN', params: { line: 0, why: 'pdf' } };
  for (const share of [0.1, 0.3, 0.6]) expect(await fault(whole.slice(0, share * whole.length))).toEqual(broken);
  expect(await fault(await pdf('BT (only text) Tj ET'))).toMatchObject({
    code: 'DRAWING_EMPTY',
    params: { skipped: 'text' },
  });
  const locked = await pdf('0 0 80 20 re f', (file) => {
    file.context.trailerInfo.Encrypt = file.context.register(file.context.obj({ Filter: 'Standard', V: 1, R: 2 }));
  });
  expect(await fault(locked)).toMatchObject({ code: 'DRAWING_BROKEN', params: { why: 'locked' } });
  const round = await pdf('/Self Do 0 0 9 9 re f', (file, resources) => {
    const self = file.context.nextRef();
    file.context.assign(
      self,
      file.context.flateStream('/Self Do /Self Do', { Subtype: 'Form', Resources: { XObject: { Self: self } } }),
    );
    resources.set(PDFName.of('XObject'), file.context.obj({ Self: self }));
  });
  expect(await fault(round)).toBeUndefined();
  expect(await fault(await pdf('0 0 9 9 re f '.repeat(210_000)))).toMatchObject({ code: 'TOO_LARGE' });
});
