import { useLocalStorage } from '@mantine/hooks';

/** Families that this person keeps at hand, in this browser. */
export function useFavourites(): { has: (family: string) => boolean; toggle: (family: string) => void } {
  const [kept, setKept] = useLocalStorage<string[]>({ key: 'fictile favourite fonts', defaultValue: [] });
  const has = (family: string): boolean => kept.includes(family);
  return {
    has,
    toggle: (family) => setKept(has(family) ? kept.filter((name) => name !== family) : [...kept, family]),
  };
}
