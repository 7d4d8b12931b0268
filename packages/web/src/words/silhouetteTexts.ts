/** Of the outline of a picture. */
export const silhouetteTexts = {
  title: (name: string): string => `Outline of ${name}`,
  shown: 'The picture, and its outline over it',
  sentence:
    'Ink is what is {side} than {share} of full light, softened by {smooth}. Turns of more than {corner} are ' +
    'corners. Specks under {speck} are left out.',
  side: 'What is ink',
  sides: { darker: 'darker', lighter: 'lighter' },
  share: 'Share of full light',
  smooth: 'Softened by',
  unsoftened: 'nothing',
  corner: 'Corners from',
  speck: 'Smallest speck',
  tracing: 'Looking for the outline',
  found: (outlines: number, stretches: number): string =>
    `${outlines === 1 ? '1 outline' : `${outlines.toLocaleString('en')} outlines`} ` +
    `of ${stretches.toLocaleString('en')} lines and curves`,
  take: 'Bring it in',
  failed: 'The outline could not be looked for.',
  noPicture: (name: string): string => `${name} is no picture that can be read here. Save it as PNG or JPEG.`,
} as const;
