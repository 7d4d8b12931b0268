import { openApiDocument } from '@fictile/contract';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { checkAsset } from './checks/checkAsset.ts';
import { readFonts } from './checks/readFonts.ts';
import type { Database } from './db/open.ts';
import { assetRoutes } from './routes/assetRoutes.ts';
import { dropIdle } from './routes/dropIdle.ts';
import { errorHandler } from './routes/errorHandler.ts';
import { fontRoutes } from './routes/fontRoutes.ts';
import { guard } from './routes/guard.ts';
import { jsonBody } from './routes/jsonBody.ts';
import { projectRoutes } from './routes/projectRoutes.ts';
import { shapeRoutes } from './routes/shapeRoutes.ts';
import { AssetService, type AssetCheck } from './services/assets.ts';
import { FontService, type FontReader } from './services/fonts.ts';
import { httpFault } from './services/faults.ts';
import { ProjectService } from './services/projects.ts';
import { ShapeService } from './services/shapes.ts';

export interface AppOptions {
  database: Database;
  log: Logger;
  /** folder of the built page; without one only the API is served */
  page?: string;
  /** names that the server answers to, without ports */
  hosts: readonly string[];
  /** the time by which revisions grow old */
  aging?: () => Date;
  /** an upload that stands still so long is dropped */
  uploadIdleMs?: number;
  checkAsset?: AssetCheck;
  readFonts?: FontReader;
}

export function createApp(options: AppOptions): Express {
  const { log } = options;
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({ logger: log, autoLogging: { ignore: (request) => request.url?.startsWith('/assets/') ?? false } }),
  );
  app.use(securityHeaders());
  app.use(guard(options.hosts));
  app.use(compression());
  app.use('/api', api(options));
  if (options.page !== undefined) servePage(app, options.page);
  app.use(errorHandler(log));
  return app;
}

/**
 * Cross-origin isolation gives the workers shared memory; 'wasm-unsafe-eval' lets them compile the shaping engine, and
 * nothing else.
 */
function securityHeaders(): express.RequestHandler {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        'default-src': ["'self'"],
        'script-src': ["'self'", "'wasm-unsafe-eval'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'blob:', 'data:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'", 'blob:'],
        'object-src': ["'none'"],
        'base-uri': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
      },
    },
    crossOriginOpenerPolicy: { policy: 'same-origin' },
    crossOriginEmbedderPolicy: { policy: 'require-corp' },
    crossOriginResourcePolicy: { policy: 'same-origin' },
    strictTransportSecurity: false,
  });
}

function api({
  database,
  aging,
  uploadIdleMs = 20_000,
  checkAsset: check = checkAsset,
  readFonts: read = readFonts,
}: AppOptions): express.Router {
  const router = express.Router();
  const document = openApiDocument();
  router.use((_request, response, next) => {
    response.set('cache-control', 'no-store');
    next();
  });
  const idle = dropIdle(uploadIdleMs);
  const assets = new AssetService(database, check);
  router.use('/assets', assetRoutes(assets, idle));
  router.use('/fonts', fontRoutes(new FontService(database, read), assets, idle));
  router.use(...jsonBody(idle));
  router.get('/openapi.json', (_request, response) => {
    response.json(document);
  });
  router.use('/projects', projectRoutes(new ProjectService(database, undefined, aging)));
  router.use('/shapes', shapeRoutes(new ShapeService(database)));
  router.use((request) => {
    throw httpFault('NOT_FOUND', { what: 'address', id: request.originalUrl });
  });
  return router;
}

/** The built page; every address that is no file is one of its own routes. */
function servePage(app: Express, folder: string): void {
  app.use('/assets', express.static(`${folder}/assets`, { immutable: true, maxAge: '365d', fallthrough: false }));
  app.use(
    express.static(folder, { index: false, setHeaders: (response) => response.setHeader('cache-control', 'no-cache') }),
  );
  app.get('/{*route}', (_request, response) => {
    response.set('cache-control', 'no-cache').sendFile('index.html', { root: folder });
  });
}
