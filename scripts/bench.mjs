import { ensureChromium } from './chromium.mjs';
import { build, ensureInstalled, npx, run } from './steps.mjs';

const isJson = process.argv.includes('--json');
ensureInstalled();
if (!process.argv.includes('--no-browser')) ensureChromium();
// with --json nothing but figures comes on standard output
build(isJson ? { stdio: ['inherit', 2, 2] } : {});
npx('tsc', '-p', 'bench');
run('node', ['bench/dist/main.js', ...process.argv.slice(2)]);
