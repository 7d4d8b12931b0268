import { createContext, useContext, useEffect, useRef, type ReactNode } from 'react';

/** Something that can be found by its words and taken, whatever part of the page has it. */
export interface Offer {
  id: string;
  label: string;
  /** of a value: how it is called, without what it holds */
  name?: string;
  /** where it is: a chapter, a kind */
  detail?: string;
  /** it leads away from here: what is here comes first */
  isFar?: boolean;
  /** other words it goes by in the trade */
  also?: readonly string[];
  run: () => void;
  /** shows what it would do, until it is left */
  onTry?: () => void;
  onLeave?: () => void;
}

type MakeOffers = () => readonly Offer[];

/** What is on the page now; asked only when somebody looks for something. */
export class Offers {
  readonly #made = new Set<MakeOffers>();

  add(make: MakeOffers): () => void {
    this.#made.add(make);
    return () => this.#made.delete(make);
  }

  list(): Offer[] {
    return [...this.#made].flatMap((make) => make());
  }
}

const Context = createContext<Offers | undefined>(undefined);

/** Where offers of the parts inside are gathered. */
export const OffersAt = ({ offers, children }: { offers: Offers; children: ReactNode }) => (
  <Context value={offers}>{children}</Context>
);

/** Offered as long as the part is there; `make` is asked at the moment, and may say what holds then. */
export function useOffers(make: MakeOffers): void {
  const offers = useContext(Context);
  const latest = useRef(make);
  latest.current = make;
  useEffect(() => offers?.add(() => latest.current()), [offers]);
}

/** Opens what is folded about an element, and gives it the focus. */
export function reveal(element: HTMLElement | null | undefined): void {
  if (!element) return;
  for (let fold = element.closest('[data-fold]'); fold; fold = fold.parentElement?.closest('[data-fold]') ?? null)
    fold.querySelector<HTMLElement>(':scope > [aria-expanded="false"]')?.click();
  // a fold lays its parts out in the next frame
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      element.scrollIntoView({ block: 'nearest' });
      element.focus({ preventScroll: true });
    }),
  );
}

/** A value as what can be found: the focus goes to it. */
export function valueOffer(element: HTMLElement | null, label: string): Offer {
  const detail = element?.closest('[data-chapter]')?.getAttribute('aria-label') ?? undefined;
  const now = element?.textContent ?? '';
  return {
    id: `value ${detail ?? ''} ${label}`,
    label: `${label}: ${now}`,
    name: label,
    detail,
    run: () => reveal(element),
  };
}
