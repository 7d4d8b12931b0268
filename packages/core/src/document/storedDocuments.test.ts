import { z } from 'zod';
import { quietContext, unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { Engine, pieceMesh } from '../evaluate/index.ts';
import { testTools } from '../testing/faces.ts';
import { found, hashOf, lost, storedDocument, storedVersions } from '../testing/storedDocuments.ts';
import { MIGRATIONS } from './migrations.ts';
import { documentSchema, asDocument, parseProject, SCHEMA_VERSION } from './index.ts';

const engine = new Engine(await testTools());
const known = found();

test('there is a document of every version', () => {
  expect(storedVersions).toEqual(Array.from({ length: SCHEMA_VERSION }, (_, i) => i + 1));
  for (const version of storedVersions) expect(storedDocument(version).schemaVersion).toBe(version);
});

/** A changed schema takes a new version, a migration and a document of it. */
test('the schema is that of its version', () => {
  expect(known.schemas[SCHEMA_VERSION]).toBe(hashOf(z.toJSONSchema(documentSchema, { io: 'input' })));
});

test.each(storedVersions.slice(0, -1))('version %i: its migration does what it did', (version) => {
  expect(hashOf(MIGRATIONS[version - 1](storedDocument(version)))).toBe(known.migrated[version]);
});

/** Up to this version pieces were held by what became their pivot: see the tests of placement. */
const LAST_HELD_BY = 17;

describe.each(storedVersions)('version %i', (version) => {
  const stored = storedDocument(version);
  const project = unwrap(parseProject(stored));

  test('words and values are what they were', () => {
    const left = lost(stored, asDocument(project)).filter(
      (path) => version > LAST_HELD_BY || !/\.placement\.by$/.test(path),
    );
    expect(left).toEqual(version === SCHEMA_VERSION ? [] : ['schemaVersion']);
  });

  test('its solids have the faces, sizes and volumes that they had', async () => {
    for (const [id, was] of Object.entries(known.solids[version])) {
      const report = checkMesh(pieceMesh(unwrap(await engine.evaluate(project, id, quietContext))));
      expect({ id, faces: report.faces }).toEqual({ id, faces: was.faces });
      const near = project.pieces[id].body.faces.toleranceMm;
      report.sizeMm.forEach((mm, k) => expect(Math.abs(mm - was.sizeMm[k])).toBeLessThan(near));
      expect(Math.abs(report.volumeMm3 - was.volumeMm3)).toBeLessThan(1e-3 * was.volumeMm3);
    }
    expect(Object.keys(known.solids[version])).toEqual(project.pieceOrder);
  });
});
