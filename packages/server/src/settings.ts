import { fileURLToPath } from 'node:url';

export interface Settings {
  port: number;
  host: string;
  /** folder of the database */
  data: string;
  /** folder of the built page */
  page: string;
  logLevel: string;
}

const DEFAULT_PORT = 4173;

export function readSettings(env: NodeJS.ProcessEnv): Settings {
  const port = Number(env.PORT ?? DEFAULT_PORT);
  if (!(Number.isInteger(port) && port >= 0 && port <= 65_535))
    throw new Error(`PORT is "${env.PORT}"; it takes a number from 0 to 65535.`);
  return {
    port,
    host: env.HOST ?? '127.0.0.1',
    data: env.FICTILE_DATA ?? fileURLToPath(new URL('../../../data', import.meta.url)),
    page: fileURLToPath(new URL('../../web/dist', import.meta.url)),
    logLevel: env.LOG_LEVEL ?? 'warn',
  };
}
