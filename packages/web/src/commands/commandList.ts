/** Something that can be done, by whatever way: the search, a key, a menu. */
export interface Command {
  id: string;
  label: string;
  /** as `@mantine/hooks` writes keys: "mod+Z" */
  keys?: string;
  isPossible?: boolean;
  /** its keys give an event of their own, which is listened to elsewhere */
  hasOwnEvent?: boolean;
  run: () => void;
}

/** How keys are shown to people. */
export const keysText = (keys: string): string =>
  keys
    .split('+')
    .map((key) => ({ mod: 'Ctrl', shift: 'Shift' })[key] ?? key.toUpperCase())
    .join(' ');
