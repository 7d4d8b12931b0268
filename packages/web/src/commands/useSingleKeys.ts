import { useLocalStorage } from '@mantine/hooks';

/** Whether keys without Ctrl do anything; who uses speech or a switch may want them off (WCAG 2.1, 2.1.4). */
export interface SingleKeys {
  areOn: boolean;
  toggle: () => void;
}

export function useSingleKeys(): SingleKeys {
  const [isOff, setIsOff] = useLocalStorage({ key: 'fictile single keys off', defaultValue: false });
  return { areOn: !isOff, toggle: () => setIsOff(!isOff) };
}
