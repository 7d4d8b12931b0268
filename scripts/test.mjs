import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { ensureChromium } from './chromium.mjs';
import { build, ensureInstalled, ROOT } from './steps.mjs';

// All checks in the order of their speed; the last line counts the tests of both runners, and a failed stage counts as
// one.
ensureInstalled();
ensureChromium();

const totals = { passed: 0, failed: 0 };
const results = `${ROOT}/node_modules/.cache/unit.json`;
const browserResults = `${ROOT}/node_modules/.cache/browser.json`;

stage('types', ['npx', '--no-install', 'tsc', '-b']);
stage('bundle', ['node', 'scripts/bundle.mjs']);
stage('types of tests', ['npx', '--no-install', 'tsc', '-p', 'tsconfig.tests.json']);
stage('lint', ['npm', 'run', '--silent', 'lint']);
stage('house', ['npm', 'run', '--silent', 'house']);
unitTests();
browserTests();
process.stdout.write(`${totals.passed} passed, ${totals.failed} failed\n`);
process.exit(totals.failed === 0 ? 0 : 1);

function stage(name, [command, ...args], env = {}) {
  process.stdout.write(`\n== ${name}\n`);
  const done = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
  if (done.status !== 0) {
    process.stdout.write(`${name} failed\n`);
    totals.failed++;
  }
  return done.status === 0;
}

function unitTests() {
  rmSync(results, { force: true });
  const ok = stage('unit tests', [
    'node',
    '--no-warnings',
    '--experimental-vm-modules',
    'node_modules/jest/bin/jest.js',
    // both cores; a process that has grown gives way to a new one
    `--maxWorkers=${Math.max(1, availableParallelism())}`,
    '--workerIdleMemoryLimit=1500MB',
    '--json',
    `--outputFile=${results}`,
  ]);
  count(ok, () => {
    const report = JSON.parse(readFileSync(results, 'utf8'));
    return { passed: report.numPassedTests, failed: report.numFailedTests };
  });
}

function browserTests() {
  build();
  rmSync(browserResults, { force: true });
  const ok = stage('browser tests', ['npm', 'run', '--silent', 'browser'], {
    PLAYWRIGHT_JSON_OUTPUT_NAME: browserResults,
  });
  count(ok, () => {
    const { stats } = JSON.parse(readFileSync(browserResults, 'utf8'));
    return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
  });
}

/** Adds a runner's own numbers; the failure that `stage` counted for it gives way to them. */
function count(ok, read) {
  let own = { passed: 0, failed: 0 };
  try {
    own = read();
  } catch {
    return; // no report: the stage itself counts as failed
  }
  totals.passed += own.passed;
  if (!ok && own.failed > 0) totals.failed += own.failed - 1;
}
