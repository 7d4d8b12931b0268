import { newPiece, newProject } from '@fictile/core';
import {
  conflictSchema,
  openApiDocument,
  projectListSchema,
  saveProjectSchema,
  STATUS,
  storedProjectSchema,
} from './index.ts';

const AT = '2026-11-25T12:00:00.000Z';
const stored = { project: newProject('p', 'Kiln', [newPiece('a', 'Kiln', ['K'])]), revision: 2, updatedAt: AT };

interface OpenApi {
  openapi: string;
  paths: Record<string, Record<string, { responses: Record<string, unknown>; requestBody?: unknown }>>;
  components: { schemas: Record<string, unknown> };
}

describe('schemas', () => {
  test('a stored project comes through as it is', () => {
    expect(storedProjectSchema.parse(stored)).toEqual(stored);
    const error = { code: 'REVISION_OLD', params: { base: 1, newest: 2 } };
    expect(conflictSchema.parse({ error, newer: stored }).newer.revision).toBe(2);
  });

  test.each([
    ['a revision of zero', { ...stored, revision: 0 }],
    ['a time that is none', { ...stored, updatedAt: 'yesterday' }],
    ['a document that is none', { ...stored, project: {} }],
  ])('%s is refused', (_, value) => expect(storedProjectSchema.safeParse(value).success).toBe(false));

  test('a save needs its base revision; a list its cards', () => {
    expect(saveProjectSchema.safeParse({ project: {} }).success).toBe(false);
    expect(projectListSchema.safeParse({ projects: [{ id: 'p' }] }).success).toBe(false);
  });
});

describe('the OpenAPI document', () => {
  const document = openApiDocument() as OpenApi;

  test('names every route, each with an answer that is a success', () => {
    expect(document.openapi).toBe('3.1.0');
    const routes = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method} ${path}`),
    );
    expect(routes.sort()).toEqual([
      'delete /api/fonts/{family}',
      'delete /api/projects/{id}',
      'delete /api/shapes/{kind}/{name}',
      'get /api/assets/{hash}',
      'get /api/fonts',
      'get /api/fonts/{hash}',
      'get /api/projects',
      'get /api/projects/{id}',
      'get /api/projects/{id}/revisions',
      'get /api/projects/{id}/revisions/{number}',
      'get /api/shapes',
      'post /api/fonts',
      'post /api/projects',
      'post /api/projects/{id}/restore',
      'put /api/assets/{hash}',
      'put /api/projects/{id}',
      'put /api/projects/{id}/revisions/{number}/name',
      'put /api/shapes/{kind}/{name}',
    ]);
    for (const methods of Object.values(document.paths))
      for (const { responses } of Object.values(methods))
        expect(Object.keys(responses).some((code) => code.startsWith('2'))).toBe(true);
  });

  test('shares its shapes by name', () => {
    expect(Object.keys(document.components.schemas)).toEqual(
      expect.arrayContaining(['ProjectCard', 'StoredProject', 'Saved', 'Conflict', 'Error', 'FontFamily']),
    );
  });
});

test('every status is one of a fault', () => {
  for (const status of Object.values(STATUS)) expect(status >= 400 && status < 600).toBe(true);
});
