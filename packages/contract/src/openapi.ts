import { OpenApiGeneratorV31, OpenAPIRegistry } from '@asteasolutions/zod-to-openapi';
import { z } from 'zod';
import {
  assetKindSchema,
  assetSchema,
  broughtFontsSchema,
  conflictSchema,
  createProjectSchema,
  errorSchema,
  fontListSchema,
  IDEMPOTENCY_HEADER,
  keepShapeSchema,
  nameRevisionSchema,
  projectListSchema,
  revisionListSchema,
  savedSchema,
  saveProjectSchema,
  shapeKindSchema,
  shapeListSchema,
  storedProjectSchema,
} from './api.ts';

const json = (
  schema: z.ZodType,
  description: string,
): { description: string; content: Record<string, { schema: z.ZodType }> } => ({
  description,
  content: { 'application/json': { schema } },
});
const fault = (description: string): ReturnType<typeof json> => json(errorSchema, description);
const id = z.object({ id: z.string() });
const hash = z.object({ hash: z.string().regex(/^[0-9a-f]{64}$/) });
const key = z.object({ [IDEMPOTENCY_HEADER]: z.string().min(8).max(100) });

type Add = OpenAPIRegistry['registerPath'];

/** The OpenAPI 3.1 document of the API, made from the schemas that the server parses with. */
export function openApiDocument(): object {
  const registry = new OpenAPIRegistry();
  const add: Add = registry.registerPath.bind(registry);
  addProjects(add);
  addRevisions(add);
  addFiles(add);
  addShapes(add);
  return new OpenApiGeneratorV31(registry.definitions).generateDocument({
    openapi: '3.1.0',
    info: {
      title: 'Fictile',
      version: '0.1.0',
      description: 'Projects of lettering in 3D: documents, revisions, assets, fonts, drawn shapes.',
    },
  });
}

const done = { 204: { description: 'Done' }, 404: fault('No such project') };

function addProjects(add: Add): void {
  add({
    method: 'get',
    path: '/api/projects',
    request: { query: z.object({ bin: z.enum(['true']).optional() }) },
    responses: { 200: json(projectListSchema, 'What is on the rack, or in the bin; newest first') },
  });
  add({
    method: 'post',
    path: '/api/projects',
    request: { headers: key, body: json(createProjectSchema, 'A whole document') },
    responses: {
      201: json(savedSchema, 'Kept as revision 1'),
      409: fault('There is one with this id'),
      422: fault('No valid document'),
    },
  });
  add({
    method: 'get',
    path: '/api/projects/{id}',
    request: { params: id },
    responses: { 200: json(storedProjectSchema, 'The newest revision'), 404: fault('No such project') },
  });
  add({
    method: 'put',
    path: '/api/projects/{id}',
    request: {
      params: id,
      headers: key,
      body: json(saveProjectSchema, 'The whole document and the revision it grew from'),
    },
    responses: {
      200: json(savedSchema, 'Kept'),
      409: json(conflictSchema, 'A newer revision stands'),
      422: fault('No valid document'),
    },
  });
  add({ method: 'delete', path: '/api/projects/{id}', request: { params: id }, responses: done });
  add({ method: 'post', path: '/api/projects/{id}/restore', request: { params: id }, responses: done });
}

function addRevisions(add: Add): void {
  add({
    method: 'put',
    path: '/api/projects/{id}/revisions/{number}/name',
    request: {
      params: id.extend({ number: z.coerce.number().int().positive() }),
      body: json(nameRevisionSchema, 'A name keeps the revision for good'),
    },
    responses: done,
  });
  add({
    method: 'get',
    path: '/api/projects/{id}/revisions',
    request: { params: id },
    responses: { 200: json(revisionListSchema, 'Newest first'), 404: fault('No such project') },
  });
  add({
    method: 'get',
    path: '/api/projects/{id}/revisions/{number}',
    request: { params: id.extend({ number: z.coerce.number().int().positive() }) },
    responses: { 200: json(storedProjectSchema, 'That revision'), 404: fault('No such revision') },
  });
}

function addFiles(add: Add): void {
  add({
    method: 'put',
    path: '/api/assets/{hash}',
    request: {
      params: hash,
      query: z.object({ kind: assetKindSchema }),
      body: { content: { 'application/octet-stream': { schema: z.string() } } },
    },
    responses: {
      201: json(assetSchema, 'Checked and kept'),
      413: fault('Too large'),
      422: fault('Not what it claims to be'),
    },
  });
  add({
    method: 'get',
    path: '/api/assets/{hash}',
    request: { params: hash },
    responses: { 200: { description: 'The bytes' }, 404: fault('No such asset') },
  });
  add({
    method: 'get',
    path: '/api/fonts',
    responses: { 200: json(fontListSchema, 'The families: brought in, then shipped') },
  });
  add({
    method: 'post',
    path: '/api/fonts',
    request: {
      query: z.object({ name: z.string().meta({ description: 'of the file' }) }),
      body: {
        description: 'TTF, OTF, a collection of them, WOFF or WOFF2; checked in a worker with limits',
        content: { 'application/octet-stream': { schema: z.string() } },
      },
    },
    responses: {
      201: json(broughtFontsSchema, 'The families its faces went to'),
      422: fault('No font that can be read'),
    },
  });
  add({
    method: 'delete',
    path: '/api/fonts/{family}',
    request: { params: z.object({ family: z.string() }) },
    responses: { 204: { description: 'Out of the case' }, 404: fault('No such family was brought in') },
  });
  add({
    method: 'get',
    path: '/api/fonts/{hash}',
    request: { params: hash },
    responses: { 200: { description: 'The font file' }, 404: fault('No such font') },
  });
}

function addShapes(add: Add): void {
  const params = z.object({ kind: shapeKindSchema, name: z.string() });
  add({
    method: 'get',
    path: '/api/shapes',
    responses: { 200: json(shapeListSchema, 'Drawn edges and sides that were kept; newest first') },
  });
  add({
    method: 'put',
    path: '/api/shapes/{kind}/{name}',
    request: { params, body: json(keepShapeSchema, 'A name that is kept already is taken over') },
    responses: { 204: { description: 'Kept' }, 400: fault('No such shape can be kept') },
  });
  add({
    method: 'delete',
    path: '/api/shapes/{kind}/{name}',
    request: { params },
    responses: { 204: { description: 'Dropped' }, 404: fault('No such shape') },
  });
}
