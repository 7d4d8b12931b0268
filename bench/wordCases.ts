import {
  applyEdit,
  checkMesh,
  Engine,
  newPiece,
  newProject,
  pieceMesh,
  quietContext,
  seededRandom,
  splitGraphemes,
  unwrap,
  type Edit,
  type Kernels,
  type Piece,
} from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';
import { BASIC_LATIN } from './fonts.ts';

/** Several letters with one solid: what a single letter can't show, since it has no neighbours. */
export interface WordCase {
  text: string;
  words: Partial<Extract<Piece['source'], { kind: 'words' }>>;
  solid: Partial<Piece['body']['solid']>;
}

export interface WordVerdict {
  case: WordCase;
  /** closed, manifold, outward; nothing crosses, unless letters were to stand apart */
  sound: boolean;
  /** nothing crosses, or the remarks say so */
  told: boolean;
}

/** Remarks that say that letters run into each other. */
const TELLS = ['LETTERS_CROSS', 'ALONG_CROSSES'];
const KINDS = ['chamfer', 'round', 'cove', 'step', 'ogee', 'bead', 'drawn'] as const;
const MIXED = [
  { in: 0.8, down: 0.15, smooth: true },
  { in: -0.25, down: 0.35, smooth: true },
  { in: 0.2, down: 0.6, smooth: false },
];
/** How near the contact of two letters is looked for, thousandths of the size; and steps from there, both ways. */
const NEAREST = 0.002;
const FROM_CONTACT = [-8, -1, -0.1, -0.01, NEAREST, 0.01, 0.1, 1, 8];

type Pick = <T>(row: readonly T[]) => T;

/** Words, pairs through their contact, and lines through theirs, with every kind of edge and side. */
export class WordJudge {
  readonly #engine: Engine;
  readonly #random: () => number;
  readonly #families: readonly string[];

  constructor(kernels: Kernels, seed: number, families = SHIPPED_FONTS.map((f) => f.family)) {
    this.#engine = new Engine({ kernels, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 64e6 });
    this.#random = seededRandom(seed);
    this.#families = families;
  }

  readonly #pick: Pick = (row) => row[Math.floor(this.#random() * row.length)];

  /** A word of two to six letters. */
  word(outward = this.#random() < 0.6): WordCase {
    const count = 2 + Math.floor(this.#random() * 5);
    const text = Array.from({ length: count }, () => this.#pick(BASIC_LATIN)).join('');
    return { text, words: { ...this.#setting(), tracking: this.#between(-60, 40) }, solid: this.#solid(outward) };
  }

  /** Two letters, or two lines, from just apart to just overlapping, through the very place where they meet. */
  async throughContact(): Promise<WordCase[]> {
    const lines = this.#random() < 0.3;
    const letters = (count: number): string => Array.from({ length: count }, () => this.#pick(BASIC_LATIN)).join('');
    const start: WordCase = {
      text: lines ? `${letters(2)}\n${letters(2)}` : letters(2),
      words: this.#setting(),
      solid: this.#solid(true),
    };
    const at = (value: number): WordCase => ({
      ...start,
      words: { ...start.words, ...(lines ? { leadingPercent: 100 + value / 10 } : { tracking: value }) },
    });
    // kept apart, letters that meet are told: that is where the contact lies
    let [meeting, apart] = [lines ? -500 : -300, 600];
    const meets = async (value: number): Promise<boolean> => {
      const { remarks } = await this.#build({ ...at(value), words: { ...at(value).words, letters: 'apart' } });
      return remarks.includes('LETTERS_CROSS');
    };
    if (!(await meets(meeting)) || (await meets(apart))) return [];
    while (apart - meeting > NEAREST) {
      const middle = (apart + meeting) / 2;
      if (await meets(middle)) meeting = middle;
      else apart = middle;
    }
    return FROM_CONTACT.map((by) => at(meeting + by));
  }

  async judge(asked: WordCase): Promise<WordVerdict> {
    const { report, remarks } = await this.#build(asked);
    const crosses = report.crossingFaces > 0;
    const told = !crosses || remarks.some((code) => TELLS.includes(code));
    const { closed, manifold, outward, degenerate } = report;
    const whole = report.faces === 0 || (closed && manifold && outward && degenerate === 0);
    return { case: asked, sound: whole && (!crosses || asked.words.letters === 'apart'), told };
  }

  async #build({ text, words, solid }: WordCase) {
    const start = newProject('p', 'p', [newPiece('a', 'a', splitGraphemes(text))]);
    const edits: Edit[] = [
      { kind: 'setWords', pieceId: 'a', values: words },
      { kind: 'setSolid', pieceId: 'a', values: solid },
    ];
    const project = unwrap(applyEdit(start, { kind: 'many', edits }));
    const evaluated = unwrap(await this.#engine.evaluate(project, 'a', quietContext));
    return { report: checkMesh(pieceMesh(evaluated)), remarks: evaluated.remarks.map((r) => r.code) };
  }

  readonly #between = (least: number, most: number): number => least + this.#random() * (most - least);

  #setting(): WordCase['words'] {
    const family = this.#pick(this.#families);
    const styles = SHIPPED_FONTS.find((f) => f.family === family)?.styles ?? [];
    const { weight, italic } = this.#pick(styles);
    const contour = this.#random();
    const thick = this.#between(0.5, 6);
    return {
      font: { family, weight, italic, axes: {} },
      letters: this.#pick(['joined', 'joined', 'apart']),
      contour:
        contour < 0.75
          ? { kind: 'full' }
          : contour < 0.88
            ? {
                kind: 'hollow',
                wallMm: thick,
                side: this.#pick(['inside', 'outside', 'center'] as const),
                count: 1,
                gapMm: 2,
              }
            : { kind: 'wire', thickMm: thick, section: 'polygon', sides: 12, ends: 'round' },
    };
  }

  #solid(outward: boolean): WordCase['solid'] {
    const kind = this.#pick(KINDS);
    const front = {
      kind,
      inMm: this.#between(0.3, 6),
      deepMm: this.#between(0.5, 6),
      steps: 3,
      points: kind === 'drawn' ? MIXED : [],
    };
    return {
      depthMm: this.#between(12, 24),
      front,
      backAsFront: this.#random() < 0.3,
      edgeSide: outward ? 'outward' : 'inward',
      corners: this.#pick(['sharp', 'sharp', 'cut', 'round']),
      emboldenMm: this.#pick([0, 0, 0, 1, -0.3]),
      side: {
        kind: this.#pick(['straight', 'straight', 'waist', 'bulge', 'v'] as const),
        amountMm: this.#between(0.5, 3),
        steps: 3,
        divisions: 1,
        points: [],
      },
      swell: { frontMm: this.#random() < 0.1 ? 3 : 0, backMm: 0, curve: 'soft', steps: 5 },
    };
  }
}
