import { LIMITS, ok, type Result } from '../base/index.ts';
import type { FontAxis, FontCatalogue, FontFamily, FontInstance, FontStyle } from './catalogue.ts';
import { openFont, type Kernels } from './fontFace.ts';
import { viewOf } from './sfnt.ts';

/** Variation axes of a font file; empty for a static one and for what can't be read. */
export function fontAxes(kernels: Kernels, bytes: Uint8Array): FontAxis[] {
  if (bytes.length > LIMITS.fontBytes) return [];
  const { hb } = kernels;
  const infos = new hb.Face(new hb.Blob(bytes)).getAxisInfos();
  return Object.values(infos).map(({ tag, min, max, default: usual }) => ({ tag, min, max, usual }));
}

/** What a font file says of itself. */
export interface FontDescription {
  family: string;
  style: FontStyle;
  axes: FontAxis[];
  instances: FontInstance[];
  covers: string;
}

/** Of the names table (OpenType): typographic ones first. */
const FAMILY_NAMES = [16, 1];
const STYLE_NAMES = [17, 2];
const LONGEST_NAME = 100;

/** Opens a plain font file and reads its names, weight, axes and characters. `fallback`: a name where it has none. */
export function describeFont(
  kernels: Kernels,
  { bytes, hash, fallback }: { bytes: Uint8Array; hash: string; fallback: string },
): Result<FontDescription> {
  const opened = openFont(kernels, { bytes, hash, name: fallback, axes: {} });
  if (!opened.ok) return opened;
  const { hb } = kernels;
  const face = new hb.Face(new hb.Blob(bytes));
  const named = (ids: readonly number[]): string =>
    ids
      .map((id) =>
        face
          .getName(id, 'en')
          .replace(/\p{Cc}/gu, '')
          .trim(),
      )
      .find((text) => text !== '') ?? '';
  const axes = fontAxes(kernels, bytes);
  const points = [...face.collectUnicodes()].filter((point) => opened.value.has(point)).sort((a, b) => a - b);
  const { weight, italic } = weightOf(face.referenceTable('OS/2'));
  return ok({
    family: (named(FAMILY_NAMES) || fallback).slice(0, LONGEST_NAME),
    style: { name: (named(STYLE_NAMES) || 'Regular').slice(0, LONGEST_NAME), weight, italic, hash },
    axes,
    instances: instancesOf(face.referenceTable('fvar'), axes, (id) => named([id])),
    covers: rangesText(points),
  });
}

/** OS/2: usWeightClass, and the first bit of fsSelection. */
function weightOf(table: Uint8Array | undefined): { weight: number; italic: boolean } {
  if (!table || table.length < 64) return { weight: 400, italic: false };
  const view = viewOf(table);
  const weight = view.getUint16(4);
  return { weight: weight >= 1 && weight <= 1000 ? weight : 400, italic: (view.getUint16(62) & 1) === 1 };
}

/** The named places of a variable font (OpenType, fvar). */
export function instancesOf(
  table: Uint8Array | undefined,
  axes: readonly FontAxis[],
  nameOf: (id: number) => string,
): FontInstance[] {
  if (!table || table.length < 16) return [];
  const view = viewOf(table);
  const [axesAt, axisCount, axisSize, count, size] = [4, 8, 10, 12, 14].map((at) => view.getUint16(at));
  const start = axesAt + axisCount * axisSize;
  if (axisCount !== axes.length || count > 500 || start + count * size > table.length || size < 4 + 4 * axisCount)
    return [];
  return Array.from({ length: count }, (_, i): FontInstance => {
    const at = start + i * size;
    const places = axes.map(({ tag }, k) => [tag, view.getInt32(at + 4 + 4 * k) / 65536] as const);
    return { name: nameOf(view.getUint16(at)), axes: Object.fromEntries(places) };
  }).filter((instance) => instance.name !== '');
}

/** "20-7e,a0" */
export function rangesText(points: readonly number[]): string {
  const rows: string[] = [];
  for (let i = 0; i < points.length;) {
    let j = i;
    while (j + 1 < points.length && points[j + 1] === points[j] + 1) j++;
    rows.push(i === j ? points[i].toString(16) : `${points[i].toString(16)}-${points[j].toString(16)}`);
    i = j + 1;
  }
  return rows.join(',');
}

/** Files of one family become one; a name that `others` has gets a mark of its own. */
export function familiesOf(fonts: readonly FontDescription[], others: FontCatalogue, kind: string): FontFamily[] {
  const taken = new Set(others.map((f) => f.family.toLowerCase()));
  const byName = new Map<string, FontDescription[]>();
  for (const font of fonts) {
    const key = font.family.toLowerCase();
    byName.set(key, [...(byName.get(key) ?? []), font]);
  }
  return [...byName].map(([key, files]): FontFamily => {
    const [first] = files;
    const styles = [
      ...new Map(
        files.map((font) => [`${font.style.weight} ${font.style.italic} ${font.style.name}`, font.style]),
      ).values(),
    ];
    // axes of one file mean nothing to another: a family of several files is taken as static ones
    const isVariable = files.length === 1 && first.axes.length > 0;
    return {
      family: taken.has(key) ? `${first.family} (brought in)` : first.family,
      kind,
      licence: '',
      styles: styles.sort((a, b) => a.weight - b.weight || Number(a.italic) - Number(b.italic)),
      axes: isVariable ? first.axes : [],
      instances: isVariable ? first.instances : [],
      covers: first.covers,
    };
  });
}
