import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { openDatabase } from './db/open.ts';
import { readSettings } from './settings.ts';

const settings = readSettings(process.env);
const log = pino({ level: settings.logLevel });
const database = await openDatabase(settings.data);
const local = ['127.0.0.1', 'localhost', '::1'].includes(settings.host);
const server = createServer(createApp({ database, log, page: settings.page, listensLocally: local }));

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
  process.stdout.write(`Fictile is at http://${local ? 'localhost' : settings.host}:${port}\n`);
});

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    server.close(() => void database.close().then(() => process.exit(0)));
    server.closeAllConnections();
  });
}
