import { build, ensureInstalled, run, stay } from './steps.mjs';

// From nothing to the served application: packages, build, sample projects (once), server.
ensureInstalled();
build();
run('node', ['packages/server/dist/seed/main.js']);
stay('node', ['packages/server/dist/main.js']);
