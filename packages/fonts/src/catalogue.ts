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
  kind: 'sans' | 'slab' | 'serif' | 'script' | 'variable';
  styles: ShippedStyle[];
  axes: { tag: string; min: number; max: number; usual: number }[];
  /** licence text, in packages/fonts/files */
  licence: string;
}

export const SHIPPED_FONTS: readonly ShippedFamily[] = [
  {
    family: 'Work Sans',
    kind: 'sans',
    licence: 'work-sans-OFL.txt',
    styles: [
      {
        name: 'Regular',
        weight: 400,
        italic: false,
        hash: 'e67985a843df0d3cdee51a3d0f329eb1774a344ad9ff0c9ab923751f1577e2a4',
        file: 'WorkSans_400Regular.ttf',
      },
      {
        name: 'Bold',
        weight: 700,
        italic: false,
        hash: '240d125fc9f8561363dc1ea3f513501253bd70942f41468f48f0b0cafb0c82e2',
        file: 'WorkSans_700Bold.ttf',
      },
      {
        name: 'Black',
        weight: 900,
        italic: false,
        hash: '4da71adfd340f6d36758166fa4f0f4935e36f76b82fba252d8495a97df60de9f',
        file: 'WorkSans_900Black.ttf',
      },
    ],
    axes: [],
  },
  {
    family: 'Zilla Slab',
    kind: 'slab',
    licence: 'zilla-slab-OFL.txt',
    styles: [
      {
        name: 'Light',
        weight: 300,
        italic: false,
        hash: 'c7d73a2a243e88fa72a820dbdb26200ea8b4196f8334cf182324d7a9e86e989f',
        file: 'ZillaSlab_300Light.ttf',
      },
      {
        name: 'Regular',
        weight: 400,
        italic: false,
        hash: '535bfbb78ba64ecae4c744c4dc9b0ace90bad3849ac1d878187f323cb5bade99',
        file: 'ZillaSlab_400Regular.ttf',
      },
      {
        name: 'Bold',
        weight: 700,
        italic: false,
        hash: 'ec5a3ec1bccca134e1cf0de2bdbd8f88b35c0756ad3997460a55f6da6c07bbf4',
        file: 'ZillaSlab_700Bold.ttf',
      },
    ],
    axes: [],
  },
  {
    family: 'Bodoni Moda',
    kind: 'serif',
    licence: 'bodoni-moda-OFL.txt',
    styles: [
      {
        name: 'Regular',
        weight: 400,
        italic: false,
        hash: 'dbaeda699ab78fd9f1012b0ed4ecf9a223432a7baf359489525b083c44c512e7',
        file: 'BodoniModa_400Regular.ttf',
      },
      {
        name: 'Bold',
        weight: 700,
        italic: false,
        hash: 'f26374b280320932c130f6f2f53c36f63db926b847f061dc8b5829a60ec7b0a9',
        file: 'BodoniModa_700Bold.ttf',
      },
    ],
    axes: [],
  },
  {
    family: 'Pacifico',
    kind: 'script',
    licence: 'pacifico-OFL.txt',
    styles: [
      {
        name: 'Regular',
        weight: 400,
        italic: false,
        hash: '4dac9db3fa9ca072f7861fd916bf04bdceac6069d0f3a886f5e523d922e918f1',
        file: 'Pacifico_400Regular.ttf',
      },
    ],
    axes: [],
  },
  {
    family: 'Recursive',
    kind: 'variable',
    licence: 'recursive-OFL.txt',
    styles: [
      {
        name: 'Variable',
        weight: 400,
        italic: false,
        hash: '8bd84894769e549f2328078f4933ee3482515fb68d61fb5385b6489ff14ea982',
        file: 'Recursive_Variable.ttf',
      },
    ],
    axes: [
      { tag: 'wght', min: 300, max: 1000, usual: 300 },
      { tag: 'MONO', min: 0, max: 1, usual: 0 },
      { tag: 'CASL', min: 0, max: 1, usual: 0 },
      { tag: 'slnt', min: -15, max: 0, usual: 0 },
      { tag: 'CRSV', min: 0, max: 1, usual: 0.5 },
    ],
  },
];
