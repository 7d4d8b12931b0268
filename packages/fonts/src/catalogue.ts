/** A style of a family: one file. Structurally the catalogue that core reads; this package knows nothing of core. */
export interface ShippedStyle {
  name: string;
  weight: number;
  italic: boolean;
  /** SHA-256 of the file, hex: how the file is named everywhere else */
  hash: string;
  /** in packages/fonts/files */
  file: string;
}

export interface ShippedFamily {
  family: string;
  kind:
    | 'sans'
    | 'rounded'
    | 'slab'
    | 'serif'
    | 'script'
    | 'blackletter'
    | 'stencil'
    | 'pixel'
    | 'inline'
    | 'display'
    | 'symbols';
  styles: ShippedStyle[];
  axes: { tag: string; min: number; max: number; usual: number }[];
  /** named places of a variable font's axes */
  instances?: { name: string; axes: Record<string, number> }[];
  /** licence text, in packages/fonts/files */
  licence: string;
  /** code points with glyphs, as hexadecimal ranges: "20-7e,a0" */
  covers: string;
}
