import { withUnit } from './withUnit.ts';

/** Words around steps: of their menu, and of values that open. */
export const shapeTexts = {
  groups: { shape: 'Shape', pieces: 'Other pieces', faces: 'Faces' },
  holdHere: 'To hold it elsewhere, press there on the other piece, or pull the mark over it.',
  pathFile: ' or from a drawing',
  guidePlaces: (count: number): string => (count < 2 ? 'none yet' : `${count} places`),
  fit: 'Fit into the flat place',
  fromView: 'From where I look now',
  fitNone: 'The model is not flat there. Hold the words on a flat place first.',
  guideHint: 'To draw it, pull the cone over the other piece.',
  guideHelp: 'One place a line: across, up, forward, in mm.',
  guideFault: (line: number): string => `Line ${line} needs three numbers.`,
  ontoTrue: (length: string, angle: string, thickness: string): string =>
    `True to the flat letters within ${length} % in length, ${angle}° in angle, ${thickness} % in thickness.`,
  letters: { all: 'all letters', picked: 'the picked letters' },
  pickLetters: 'Pick letters first: their marks stand above the caret.',
  chooseFile: 'choose a file',
  pictureSize: (columns: number, rows: number): string => `${columns} × ${rows}`,
  course: {
    label: (name: string, { low, high, unit }: { low: number; high: number; unit: string }): string =>
      `${name}: ${low === high ? withUnit(low, unit) : `${low} to ${withUnit(high, unit)}`}`,
    same: (value: number, unit: string): string => withUnit(value, unit),
    between: (low: number, high: number, unit: string): string => `${low} to ${withUnit(high, unit)}`,
    help: 'Drag points. Double-click adds one, Delete takes it away, arrow keys move it.',
    point: (n: number): string => `Point ${n}`,
    place: (point: string): string => `${point}, how far along`,
    amount: (point: string): string => `${point}, value`,
  },
} as const;
