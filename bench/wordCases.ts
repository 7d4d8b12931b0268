import type { Kernels } from '@fictile/core';
import { SHIPPED_FONTS } from '@fictile/fonts';
import { seeded, type Seeded } from './seeded.ts';
import { wordBuilder, type WordAsked } from './wordBuild.ts';

export interface WordVerdict {
  case: WordAsked;
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

/** Words, pairs through their contact, and lines through theirs, with every kind of edge and side. */
export class WordJudge {
  readonly #build: ReturnType<typeof wordBuilder>;
  readonly #random: Seeded;

  constructor(kernels: Kernels, seed: number) {
    this.#build = wordBuilder(kernels);
    this.#random = seeded(seed);
  }

  /** A word of two to six letters. */
  word(outward: boolean): WordAsked {
    const { chance, between, letters } = this.#random;
    const text = letters(2 + Math.floor(chance() * 5));
    return { text, words: { ...this.#setting(), tracking: between(-60, 40) }, solid: this.#solid(outward) };
  }

  /** Two letters, or two lines, from just apart to just overlapping, through the very place where they meet. */
  async throughContact(): Promise<WordAsked[]> {
    const { chance, letters } = this.#random;
    const lines = chance() < 0.3;
    const start: WordAsked = {
      text: lines ? `${letters(2)}\n${letters(2)}` : letters(2),
      words: this.#setting(),
      solid: this.#solid(true),
    };
    const at = (value: number): WordAsked => ({
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

  async judge(asked: WordAsked): Promise<WordVerdict> {
    const { report, remarks } = await this.#build(asked);
    const crosses = report.crossingFaces > 0;
    const told = !crosses || remarks.some((code) => TELLS.includes(code));
    const { closed, manifold, outward, degenerate } = report;
    const whole = report.faces === 0 || (closed && manifold && outward && degenerate === 0);
    return { case: asked, sound: whole && (!crosses || asked.words.letters === 'apart'), told };
  }

  #setting(): WordAsked['words'] {
    const { pick, between, chance } = this.#random;
    const { family, styles } = pick(SHIPPED_FONTS);
    const { weight, italic } = pick(styles);
    const contour = chance();
    const thick = between(0.5, 6);
    return {
      font: { family, weight, italic, axes: {} },
      letters: pick(['joined', 'joined', 'apart']),
      contour:
        contour < 0.75
          ? { kind: 'full' }
          : contour < 0.88
            ? {
                kind: 'hollow',
                wallMm: thick,
                side: pick(['inside', 'outside', 'center'] as const),
                count: 1,
                gapMm: 2,
              }
            : { kind: 'wire', thickMm: thick, section: 'polygon', sides: 12, ends: 'round' },
    };
  }

  #solid(outward: boolean): WordAsked['solid'] {
    const { pick, between, chance } = this.#random;
    const kind = pick(KINDS);
    const front = {
      kind,
      inMm: between(0.3, 6),
      deepMm: between(0.5, 6),
      steps: 3,
      points: kind === 'drawn' ? MIXED : [],
    };
    return {
      depthMm: between(12, 24),
      front,
      backAsFront: chance() < 0.3,
      edgeSide: outward ? 'outward' : 'inward',
      corners: pick(['sharp', 'sharp', 'cut', 'round']),
      emboldenMm: pick([0, 0, 0, 1, -0.3]),
      side: {
        kind: pick(['straight', 'straight', 'waist', 'bulge', 'v'] as const),
        amountMm: between(0.5, 3),
        steps: 3,
        divisions: 1,
        points: [],
      },
      swell: { frontMm: chance() < 0.1 ? 3 : 0, backMm: 0, curve: 'soft', steps: 5 },
    };
  }
}
