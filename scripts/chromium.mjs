import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

/** Debian's: the one without windows takes half the time of the whole browser, which does as well. */
const PACKAGE = 'chromium-headless-shell';
const PLACES = [`/usr/bin/${PACKAGE}`, '/usr/bin/chromium'];

/** Where Chromium is; undefined where it is not installed. */
export const chromiumPath = () => process.env.CHROMIUM ?? PLACES.find((path) => existsSync(path));

/**
 * Chromium for the browser tests: installed when it is missing and can be; otherwise the way out is said and the script
 * ends.
 */
export function ensureChromium() {
  if (!chromiumPath()) install();
  const path = chromiumPath();
  if (path && existsSync(path)) {
    process.env.CHROMIUM = path; // for what is started from here
    return;
  }
  process.stderr.write(
    `The browser tests need Chromium, and none is at ${path ?? PLACES.join(' or ')}.\n` +
      `Install it (Debian: sudo apt-get install ${PACKAGE}) or name yours: CHROMIUM=/path/to/chromium npm test\n`,
  );
  process.exit(1);
}

/** Quietly left where it can't be done: the whole browser may be there. Older Debians have nothing else. */
function install() {
  const isRoot = process.getuid?.() === 0;
  const hasApt = spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0;
  if (process.env.CHROMIUM || !hasApt || !isRoot) return;
  process.stdout.write('Installing Chromium for the browser tests …\n');
  const options = { stdio: 'ignore', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  spawnSync('apt-get', ['update'], options);
  for (const name of [PACKAGE, 'chromium'])
    if (!chromiumPath()) spawnSync('apt-get', ['install', '-y', '--no-install-recommends', name], options);
}
