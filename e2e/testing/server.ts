import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));

export interface RunningServer {
  address: string;
  /** as the machine losing power would: no goodbye */
  kill(): Promise<void>;
}

/** A server of its own on a free port. */
export async function startServer(data: string): Promise<RunningServer> {
  const server = spawn('node', ['packages/server/dist/main.js'], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', FICTILE_DATA: data, LOG_LEVEL: 'error' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const ended = once(server, 'exit');
  const [said] = (await Promise.race([once(server.stdout, 'data'), ended.then(() => [''])])) as [Buffer | string];
  const address = /http:\/\/\S+/.exec(String(said))?.[0];
  if (!address) throw new Error('the server did not start');
  return {
    address,
    kill: async () => {
      server.kill('SIGKILL');
      await ended;
    },
  };
}
