import { liveTabs, tabName } from './tabs.ts';

const prefixOf = (projectId: string): string => `fictile builds ${projectId} `;

/**
 * Says for as long as a project is being built; what stands there when the tab is gone says that it went while it
 * built.
 */
export function markBuild(projectId: string, builds: boolean): void {
  try {
    const name = prefixOf(projectId) + tabName();
    if (builds) localStorage.setItem(name, new Date().toISOString());
    else localStorage.removeItem(name);
  } catch {
    // without storage nothing is known of an earlier life
  }
}

/** Whether this tab, or one that is gone, ended while it built this project. The marks go. */
export async function endedWhileBuilding(projectId: string): Promise<boolean> {
  try {
    const live = await liveTabs();
    const own = tabName();
    const marks = Object.keys(localStorage).filter((name) => {
      const tab = name.slice(prefixOf(projectId).length);
      return name.startsWith(prefixOf(projectId)) && (tab === own || !live.has(tab));
    });
    for (const name of marks) localStorage.removeItem(name);
    return marks.length > 0;
  } catch {
    return false;
  }
}
