import { LIMITS } from '@fictile/core';
import { assetKindSchema } from '@fictile/contract';
import express, { Router, type RequestHandler } from 'express';
import type { AssetService } from '../services/assets.ts';
import { httpFault } from '../services/faults.ts';
import { parseBody } from './parseBody.ts';

/** An upload is one body; larger models than this come in another way later. */
const LARGEST_UPLOAD = 100 * 1024 * 1024;

export function assetRoutes(service: AssetService, idle: RequestHandler): Router {
  const router = Router();
  router.put('/:hash', idle, express.raw({ type: () => true, limit: LARGEST_UPLOAD }), async (request, response) => {
    const kind = parseBody(assetKindSchema, request.query.kind);
    const body: unknown = request.body;
    if (!Buffer.isBuffer(body) || body.length === 0)
      throw httpFault('REQUEST_BROKEN', { path: 'body', why: 'is empty' });
    if (kind === 'font' && body.length > LIMITS.fontBytes) {
      throw httpFault('REQUEST_BROKEN', { path: 'body', why: 'is larger than a font may be' });
    }
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    response.status(201).json(await service.put(String(request.params.hash), kind, body, { gone: gone.signal }));
  });
  router.get('/:hash', async (request, response) => {
    const bytes = await service.read(request.params.hash);
    response.set('cache-control', 'public, max-age=31536000, immutable').type('application/octet-stream').send(bytes);
  });
  return router;
}
