import { LIMITS } from '@fictile/core';
import { fontListSchema } from '@fictile/contract';
import { fontPath } from '@fictile/fonts';
import express, { Router, type RequestHandler } from 'express';
import { z } from 'zod';
import type { AssetService } from '../services/assets.ts';
import { httpFault } from '../services/faults.ts';
import type { FontService } from '../services/fonts.ts';
import { parseBody } from './parseBody.ts';

const fileName = z.string().min(1).max(200);
/** Where other files of the same styles are there: which of them are to be used. */
const styleChoice = z.enum(['new', 'old']);

export function fontRoutes(service: FontService, assets: AssetService, idle: RequestHandler): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json(fontListSchema.parse({ families: await service.list() }));
  });
  router.post('/', idle, express.raw({ type: () => true, limit: LIMITS.fontBytes }), async (request, response) => {
    const body: unknown = request.body;
    if (!Buffer.isBuffer(body) || body.length === 0)
      throw httpFault('REQUEST_BROKEN', { path: 'body', why: 'is empty' });
    const styles = request.query.styles === undefined ? undefined : parseBody(styleChoice, request.query.styles);
    response.status(201).json(await service.bring(parseBody(fileName, request.query.name), body, styles));
  });
  router.delete('/:family', async (request, response) => {
    await service.remove(request.params.family);
    response.status(204).end();
  });
  router.get('/:hash', async (request, response) => {
    const path = fontPath(request.params.hash);
    const headers = { 'content-type': 'font/ttf' };
    if (path !== undefined) {
      response.sendFile(path, { maxAge: '365d', immutable: true, headers });
      return;
    }
    const bytes = await assets.read(request.params.hash);
    response.set({ ...headers, 'cache-control': 'public, max-age=31536000, immutable' }).send(bytes);
  });
  return router;
}
