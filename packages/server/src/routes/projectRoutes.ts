import { createProjectSchema, IDEMPOTENCY_HEADER, saveProjectSchema } from '@fictile/contract';
import { Router, type Request } from 'express';
import { httpFault } from '../services/faults.ts';
import type { ProjectService } from '../services/projects.ts';
import { parseBody } from './parseBody.ts';

export function projectRoutes(service: ProjectService): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json({ projects: await service.list() });
  });
  router.post('/', async (request, response) => {
    const { project } = parseBody(createProjectSchema, request.body);
    response.status(201).json(await service.create(project, keyOf(request)));
  });
  router.get('/:id', async (request, response) => {
    response.json(await service.read(request.params.id));
  });
  router.put('/:id', async (request, response) => {
    const { project, baseRevision } = parseBody(saveProjectSchema, request.body);
    response.json(await service.save(request.params.id, project, baseRevision, keyOf(request)));
  });
  router.get('/:id/revisions', async (request, response) => {
    response.json({ revisions: await service.listRevisions(request.params.id) });
  });
  router.get('/:id/revisions/:number', async (request, response) => {
    const number = Number(request.params.number);
    if (!Number.isInteger(number)) throw httpFault('REQUEST_BROKEN', { path: 'number', why: 'is no whole number' });
    response.json(await service.readRevision(request.params.id, number));
  });
  return router;
}

function keyOf(request: Request): string {
  const key = request.get(IDEMPOTENCY_HEADER) ?? '';
  if (key.length < 8 || key.length > 100) {
    throw httpFault('REQUEST_BROKEN', { path: IDEMPOTENCY_HEADER, why: 'needs 8 to 100 characters' });
  }
  return key;
}
