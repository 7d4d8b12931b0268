import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** Debian's Chromium for the browser tests: installed when it is missing and can be; otherwise the way out is said and the script ends. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  const quiet = { stdio: ['ignore', 'ignore', 'inherit'] };
  const isRoot = process.getuid?.() === 0;
  const hasApt = spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0;
  if (hasApt && isRoot) {
    process.stdout.write('Installing Chromium for the browser tests …\n');
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    spawnSync('apt-get', ['update'], { ...quiet, env });
    spawnSync('apt-get', ['install', '-y', '--no-install-recommends', 'chromium'], { ...quiet, env });
  }
  if (existsSync(CHROMIUM)) return;
  process.stderr.write(
    `The browser tests need Chromium, and none is at ${CHROMIUM}.\n` +
      'Install it (Debian: sudo apt-get install chromium) or name yours: CHROMIUM=/path/to/chromium npm test\n',
  );
  process.exit(1);
}
