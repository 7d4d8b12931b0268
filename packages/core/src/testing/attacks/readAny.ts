import { parseBoundedJson, type Failure, type LoadUnpacker } from '../../base/index.ts';
import { parseProject } from '../../document/index.ts';
import { readSvg } from '../../drawing/index.ts';
import { readModel, usualFrame } from '../../io/index.ts';
import { triangulate, type PolygonMesh } from '../../mesh/index.ts';
import type { AttackFormat } from './attackFiles.ts';
import { textOf } from './text.ts';

/** What a reader made of a file: a mesh for mesh files, how much for others. */
export type Read = { ok: true; mesh?: PolygonMesh; size: number } | { ok: false; error: Failure };

/**
 * A file through the reader that the page, the server and the command line use, and into triangles, which all of them
 * need next.
 */
export async function readAny(format: AttackFormat, bytes: Uint8Array, unpacker?: LoadUnpacker): Promise<Read> {
  if (format === 'svg') {
    const drawing = readSvg(textOf(bytes));
    return drawing.ok ? { ok: true, size: drawing.value.shape.elements.length } : drawing;
  }
  if (format === 'json') {
    const json = parseBoundedJson(bytes, 'document');
    const project = json.ok ? parseProject(json.value) : json;
    return project.ok ? { ok: true, size: project.value.pieceOrder.length } : project;
  }
  const model = await readModel(bytes, usualFrame(format), unpacker);
  if (!model.ok) return model;
  const { mesh } = model.value;
  return { ok: true, mesh, size: mesh.positions.length / 3 + triangulate(mesh).corners.length };
}
