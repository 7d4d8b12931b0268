import {
  nameOf,
  newPiece,
  parseFeatures,
  splitGraphemes,
  usualCircle,
  usualWords,
  type Edit,
  type Piece,
  type Remark,
  type Step,
  type Words,
  type WordsPiece,
} from '@fictile/core';
import { bodyEdits, contourOf, defined } from './bodyFlags.ts';
import type { Flags } from './flags.ts';
import { fault } from './messages.ts';
import { typedText } from './typedText.ts';

/** What a case begins with, and what its flags make of it. */
export interface StartedCase {
  piece: Piece;
  edits: Edit[];
  remarks: Remark[];
}

/** A case of words. */
export async function wordsCase(flags: Flags, family: string, onto?: Step): Promise<StartedCase> {
  if (flags.text === undefined)
    throw fault('FLAG_MISSING', 'There is neither --text nor --svg. Say which words or which drawing to build.');
  const text = typedText(flags.text);
  const piece = newPiece('words', nameOf(text), splitGraphemes(text));
  return { piece, edits: [...editsOf(flags, family, piece), ...(await bodyEdits(flags, piece, onto))], remarks: [] };
}

function editsOf(flags: Flags, family: string, piece: WordsPiece): Edit[] {
  const pieceId = piece.id;
  const words: Extract<Edit, { kind: 'setWords' }>['values'] = defined({
    font: {
      family,
      weight: flags.weight ?? (family === piece.source.font.family ? piece.source.font.weight : 400),
      italic: false,
      axes: flags.axis === undefined ? {} : parseAxes(flags.axis),
    },
    sizeMm: flags.size,
    fit: fitOf(flags),
    line: lineOf(flags),
    contour: contourOf(flags),
    slantDegrees: flags.slant,
    widthPercent: flags['width-scale'],
    heightPercent: flags['height-scale'],
    align: flags.align,
    anchor: flags.anchor,
    depthAnchor: flags['depth-anchor'],
    tracking: flags.tracking,
    leadingPercent: flags.leading,
    kerning: flags.kerning === undefined ? undefined : flags.kerning === 'on',
    features: flags.features === undefined ? undefined : featuresOf(flags.features),
    language: flags.lang,
    direction: flags.direction,
    letters: flags.letters,
  });
  return [{ kind: 'setWords', pieceId, values: words }];
}

function fitOf(flags: Flags): Words['fit'] | undefined {
  const { 'fit-width': widthMm, 'fit-height': heightMm } = flags;
  if (widthMm !== undefined && heightMm !== undefined) return { to: 'box', widthMm, heightMm, onlyShrink: false };
  const usual = usualWords([]).fit;
  if (widthMm !== undefined) return { ...usual, to: 'width', widthMm };
  return heightMm === undefined ? undefined : { ...usual, to: 'height', heightMm };
}

function lineOf(flags: Flags): Words['line'] | undefined {
  if (flags.around === undefined) return undefined;
  return { ...usualCircle(), radiusMm: flags.around, side: flags['around-side'] ?? 'outside' };
}

/** "wght=650,wdth=80" -> { wght: 650, wdth: 80 } */
function parseAxes(text: string): Record<string, number> {
  const rows = text.split(',').filter((row) => row.trim() !== '');
  return Object.fromEntries(
    rows.map((row) => {
      const match = /^\s*([A-Za-z]{4})\s*=\s*(-?\d+(?:\.\d+)?)\s*$/.exec(row);
      if (!match)
        throw fault(
          'FLAG_VALUE',
          `--axis has "${row.trim()}"; write axes with values like "wght=650,wdth=80". Change it.`,
        );
      return [match[1], Number(match[2])];
    }),
  );
}

function featuresOf(text: string): Record<string, number> {
  const parsed = parseFeatures(text);
  if ('features' in parsed) return parsed.features;
  throw fault(
    'FLAG_VALUE',
    `--features has "${parsed.wrong}"; write tags of four letters like "liga=0,ss01". Change it.`,
  );
}
