import { spawn, spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));

/** Runs a command in the project's root with its output shown; ends the script where it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

export const npx = (...args) => run('npx', ['--no-install', ...args]);

/** Installs what the lock file names, when that is missing or older than the lock file. */
export function ensureInstalled() {
  const mark = `${ROOT}/node_modules/.package-lock.json`;
  const isFresh = existsSync(mark) && statSync(mark).mtimeMs >= statSync(`${ROOT}/package-lock.json`).mtimeMs;
  if (isFresh) return;
  process.stdout.write('Installing packages (a few minutes the first time) …\n');
  run('npm', ['ci', '--no-audit', '--no-fund']);
}

export function build(options = {}) {
  run('npm', ['run', '--silent', 'build'], options);
}

/** Starts a long-running command; ends with it. */
export function stay(command, args, options = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
  return child;
}
