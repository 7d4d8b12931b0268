import { createProjectSchema, IDEMPOTENCY_HEADER, nameRevisionSchema, saveProjectSchema } from '@fictile/contract';
import { Router, type Request } from 'express';
import { httpFault } from '../services/faults.ts';
import type { ProjectService } from '../services/projects.ts';
import { parseBody } from './parseBody.ts';

export function projectRoutes(service: ProjectService): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    response.json({ projects: await service.list(request.query.bin === 'true') });
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
    response.json(await service.save(request.params.id, project, { baseRevision, key: keyOf(request) }));
  });
  router.delete('/:id', async (request, response) => {
    await service.setBinned(request.params.id, true);
    response.status(204).end();
  });
  router.post('/:id/restore', async (request, response) => {
    await service.setBinned(request.params.id, false);
    response.status(204).end();
  });
  router.get('/:id/revisions', async (request, response) => {
    response.json({ revisions: await service.listRevisions(request.params.id) });
  });
  router.get('/:id/revisions/:number', async (request, response) => {
    response.json(await service.readRevision(request.params.id, numberOf(request.params.number)));
  });
  router.put('/:id/revisions/:number/name', async (request, response) => {
    const { name } = parseBody(nameRevisionSchema, request.body);
    await service.nameRevision(request.params.id, numberOf(request.params.number), name);
    response.status(204).end();
  });
  return router;
}

function numberOf(text: string): number {
  const number = Number(text);
  if (!Number.isInteger(number)) throw httpFault('REQUEST_BROKEN', { path: 'number', why: 'is no whole number' });
  return number;
}

function keyOf(request: Request): string {
  const key = request.get(IDEMPOTENCY_HEADER) ?? '';
  if (key.length < 8 || key.length > 100) {
    throw httpFault('REQUEST_BROKEN', { path: IDEMPOTENCY_HEADER, why: 'needs 8 to 100 characters' });
  }
  return key;
}
