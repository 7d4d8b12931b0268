import { fontListSchema } from '@fictile/contract';
import { fontPath, SHIPPED_FONTS } from '@fictile/fonts';
import { Router } from 'express';
import { httpFault } from '../services/faults.ts';

export function fontRoutes(): Router {
  const router = Router();
  const list = fontListSchema.parse({ families: SHIPPED_FONTS });
  router.get('/', (_request, response) => {
    response.json(list);
  });
  router.get('/:hash', (request, response) => {
    const path = fontPath(request.params.hash);
    if (path === undefined) throw httpFault('NOT_FOUND', { what: 'font', id: request.params.hash });
    response.sendFile(path, { maxAge: '365d', immutable: true, headers: { 'content-type': 'font/ttf' } });
  });
  return router;
}
