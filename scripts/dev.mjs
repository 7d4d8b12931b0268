import { build, ensureInstalled, run, stay } from './steps.mjs';

// The server from compiled output (worker threads need it), both restarted at changes; the page through Vite on port
// 5173.
ensureInstalled();
build();
run('node', ['packages/server/dist/seed/main.js']);
stay('npx', ['--no-install', 'tsc', '-b', '--watch', '--preserveWatchOutput']);
stay('node', ['--watch', 'packages/server/dist/main.js']);
stay('npm', ['run', 'dev', '-w', '@fictile/web']);
