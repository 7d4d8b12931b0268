import { keepShapeSchema, shapeKindSchema, shapeNameSchema } from '@fictile/contract';
import { Router } from 'express';
import { z } from 'zod';
import type { ShapeService } from '../services/shapes.ts';
import { parseBody } from './parseBody.ts';

const addressSchema = z.object({ kind: shapeKindSchema, name: shapeNameSchema });

export function shapeRoutes(service: ShapeService): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json({ shapes: await service.list() });
  });
  router.put('/:kind/:name', async (request, response) => {
    const { points } = parseBody(keepShapeSchema, request.body);
    await service.keep({ ...parseBody(addressSchema, request.params), points });
    response.status(204).end();
  });
  router.delete('/:kind/:name', async (request, response) => {
    await service.drop(parseBody(addressSchema, request.params));
    response.status(204).end();
  });
  return router;
}
