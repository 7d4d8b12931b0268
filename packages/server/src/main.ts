import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { openOrSay } from './backup/openOrSay.ts';
import { agingClock, upkeep } from './services/upkeep.ts';
import { isLocal, readSettings } from './settings.ts';

const UPKEEP_MS = 6 * 3_600_000;

const settings = readSettings(process.env);
const log = pino({ level: settings.logLevel });
const database = await openOrSay(settings.data);
const aging = await agingClock(database);
const server = createServer(createApp({ database, log, page: settings.page, hosts: settings.hosts, aging }));

server.on('error', (error: NodeJS.ErrnoException) => {
  const why =
    error.code === 'EADDRINUSE'
      ? `Port ${settings.port} is taken. Stop what runs there, or choose another: PORT=4200 npm start`
      : error.message;
  process.stderr.write(`Fictile can't start. ${why}\n`);
  process.exit(1);
});
server.listen(settings.port, settings.host, () => {
  const { port } = server.address() as AddressInfo;
  const local = isLocal(settings.host);
  if (!local) process.stderr.write(openWarning(settings.host));
  process.stdout.write(`Fictile is at http://${local ? 'localhost' : settings.host}:${port}\n`);
});

const keepUp = (): void =>
  void upkeep(database, aging()).then(
    (done) => log.info(done, 'upkeep'),
    (error: unknown) => log.error(error, 'upkeep failed'),
  );
keepUp();
setInterval(keepUp, UPKEEP_MS).unref();

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    server.close(() => void database.close().then(() => process.exit(0)));
    server.closeAllConnections();
  });
}

function openWarning(host: string): string {
  const line = '!'.repeat(78);
  return (
    `${line}\nOTHERS CAN REACH THIS: with HOST=${host} everybody on the network can read, change and delete all\n` +
    "projects; there are no passwords. It answers to this machine's names and addresses; add others with\n" +
    `FICTILE_HOSTS=name,name. Leave HOST out to keep it to this machine.\n${line}\n`
  );
}
