import { useLocalStorage } from '@mantine/hooks';

type Uses = Readonly<Record<string, number>>;

/** So many are remembered; those that were taken least go first. */
const MOST = 200;

/** How often each thing was taken from the search, in this browser. */
export function useUses(): [uses: Uses, used: (id: string) => void] {
  const [uses, setUses] = useLocalStorage<Uses>({ key: 'fictile search uses', defaultValue: {} });
  const used = (id: string): void =>
    setUses((before) => {
      const rows = Object.entries({ ...before, [id]: (before[id] ?? 0) + 1 });
      return Object.fromEntries(rows.sort(([, a], [, b]) => b - a).slice(0, MOST));
    });
  return [uses, used];
}
