import { api, Refused } from '../api/index.ts';
import type { BroughtFonts } from '@fictile/contract';

export type StyleAnswer = 'new' | 'old';

/** A file that is brought in holds styles that other files in the case hold already. */
export interface StyleQuestion {
  family: string;
  styles: string;
  answer: (chosen: StyleAnswer | undefined) => void;
}

/** The question that waits for the person; asked by whoever brings a font in, wherever that is. */
class StyleChoice {
  #question: StyleQuestion | undefined;
  readonly #listeners = new Set<() => void>();

  readonly question = (): StyleQuestion | undefined => this.#question;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  ask(family: string, styles: string): Promise<StyleAnswer | undefined> {
    return new Promise((resolve) => {
      this.#put({
        family,
        styles,
        answer: (chosen) => {
          this.#put(undefined);
          resolve(chosen);
        },
      });
    });
  }

  #put(question: StyleQuestion | undefined): void {
    this.#question = question;
    for (const listener of this.#listeners) listener();
  }
}

export const styleChoice = new StyleChoice();

/**
 * Brings a font file in; where other files of its styles are there, the person chooses. Undefined: neither was chosen,
 * and nothing was changed.
 */
export async function bringFont(name: string, bytes: Blob): Promise<BroughtFonts | undefined> {
  try {
    return await api.bringFont(name, bytes);
  } catch (error) {
    if (!(error instanceof Refused) || error.code !== 'STYLE_THERE') throw error;
    const chosen = await styleChoice.ask(String(error.params.family), String(error.params.styles));
    return chosen && api.bringFont(name, bytes, chosen);
  }
}
