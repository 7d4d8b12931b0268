const KEY = 'fictile tab';

let own: string | undefined;

/** A name for this tab that stays through reloads. */
export function tabName(): string {
  own ??= kept() ?? fresh();
  return own;
}

function kept(): string | undefined {
  try {
    return sessionStorage.getItem(KEY) ?? undefined;
  } catch {
    return undefined;
  }
}

function fresh(): string {
  const name = crypto.randomUUID();
  try {
    sessionStorage.setItem(KEY, name);
  } catch {
    // without storage the name lives as long as the page
  }
  return name;
}

const lockOf = (tab: string): string => `${KEY} ${tab}`;

/**
 * Holds a lock as long as the page lives, so that other tabs can tell it from a closed one. A duplicated tab gets a
 * name of its own.
 */
export async function announceTab(): Promise<void> {
  if (!('locks' in navigator)) return;
  await new Promise<void>((announced) => {
    void navigator.locks.request(lockOf(tabName()), { ifAvailable: true }, async (lock) => {
      if (!lock) {
        own = fresh();
        void navigator.locks.request(lockOf(own), () => new Promise(() => undefined));
      }
      announced();
      if (lock) await new Promise(() => undefined);
    });
  });
}

export async function liveTabs(): Promise<ReadonlySet<string>> {
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return new Set([tabName()]);
  const { held = [] } = await navigator.locks.query();
  const names = held.flatMap(({ name }) => (name?.startsWith(`${KEY} `) ? [name.slice(KEY.length + 1)] : []));
  return new Set([...names, tabName()]);
}
