/** A style of a family: one file, at one place of its axes. */
export interface FontStyle {
  name: string;
  weight: number;
  italic: boolean;
  /** hash of the file's bytes, by which it is loaded */
  hash: string;
}

export interface FontAxis {
  tag: string;
  min: number;
  max: number;
  usual: number;
}

/** A named place of a variable font's axes. */
export interface FontInstance {
  name: string;
  axes: Readonly<Record<string, number>>;
}

export interface FontFamily {
  family: string;
  /** sans, slab, script and so on: what a person looks for */
  kind: string;
  styles: FontStyle[];
  /** variation axes; a family with a `wght` axis has one style that serves every weight */
  axes: FontAxis[];
  instances?: FontInstance[];
  licence: string;
  /** code points that it has glyphs for, as hexadecimal ranges ("20-7e,a0"); empty where nobody looked */
  covers: string;
}

export type FontCatalogue = readonly FontFamily[];

/** What the document says of a font. */
export interface FontRef {
  family: string;
  weight: number;
  italic: boolean;
  axes: Readonly<Record<string, number>>;
}

export function findFamily(catalogue: FontCatalogue, name: string): FontFamily | undefined {
  const wanted = name.trim().toLowerCase();
  return catalogue.find((f) => f.family.toLowerCase() === wanted);
}

/** The file for a font reference and the axes to open it at; undefined when the family is unknown. */
export function findFont(
  catalogue: FontCatalogue,
  ref: FontRef,
): { style: FontStyle; axes: Record<string, number> } | undefined {
  const family = findFamily(catalogue, ref.family);
  if (!family) return undefined;
  const distance = (s: FontStyle): number => Math.abs(s.weight - ref.weight) + (s.italic === ref.italic ? 0 : 10_000);
  const style = family.styles.reduce((best, s) => (distance(s) < distance(best) ? s : best));
  const axes: Record<string, number> = {};
  for (const axis of family.axes) {
    const value = ref.axes[axis.tag] ?? (axis.tag === 'wght' ? ref.weight : axis.usual);
    axes[axis.tag] = Math.min(axis.max, Math.max(axis.min, value));
  }
  return { style, axes };
}
