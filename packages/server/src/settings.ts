import { hostname, networkInterfaces } from 'node:os';
import { fileURLToPath } from 'node:url';

export interface Settings {
  port: number;
  host: string;
  /** folder of the database */
  data: string;
  /** folder of the built page */
  page: string;
  logLevel: string;
  /** names that the server answers to */
  hosts: string[];
}

const DEFAULT_PORT = 4173;

export function readSettings(env: NodeJS.ProcessEnv): Settings {
  const port = Number(env.PORT ?? DEFAULT_PORT);
  if (!(Number.isInteger(port) && port >= 0 && port <= 65_535))
    throw new Error(`PORT is "${env.PORT}"; it takes a number from 0 to 65535.`);
  const host = env.HOST ?? '127.0.0.1';
  return {
    port,
    host,
    hosts: namesFor(host, env.FICTILE_HOSTS),
    data: env.FICTILE_DATA ?? fileURLToPath(new URL('../../../data', import.meta.url)),
    page: fileURLToPath(new URL('../../web/dist', import.meta.url)),
    logLevel: env.LOG_LEVEL ?? 'warn',
  };
}

const LOCAL = ['localhost', '127.0.0.1', '::1'];

export const isLocal = (host: string): boolean => LOCAL.includes(host);

/**
 * Where others can reach the machine it has more names than its own: its addresses, and those that were listed, with
 * commas between.
 */
function namesFor(host: string, listed = ''): string[] {
  if (isLocal(host)) return LOCAL;
  const addresses = Object.values(networkInterfaces()).flatMap((rows) => (rows ?? []).map((row) => row.address));
  const named = listed
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '');
  return [...LOCAL, host, hostname(), ...addresses, ...named];
}
