import { ensureChromium } from './chromium.mjs';
import { build, ensureInstalled, npx, run } from './steps.mjs';

ensureInstalled();
if (!process.argv.includes('--no-browser')) ensureChromium();
build();
npx('tsc', '-p', 'bench');
run('node', ['bench/dist/main.js', ...process.argv.slice(2)]);
