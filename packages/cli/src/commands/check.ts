import { extname } from 'node:path';
import { checkMesh, inMm, READ_FORMATS, readBack, type MeshFormat, type MeshReport } from '@fictile/core';
import { loadKernels } from '@fictile/kernels';
import { parseArguments } from '../arguments.ts';
import { say } from '../console.ts';
import { readGiven } from '../givenFile.ts';
import { fault, faultOf } from '../messages.ts';
import { only } from './only.ts';

/** Judges a mesh file. A verdict, good or bad, is a success; a file that cannot be read is not. */
export async function check(row: readonly string[]): Promise<void> {
  const { positional, flags } = parseArguments(row, (name) => name === 'json');
  only(flags, ['json']);
  const [path] = positional;
  if (path === undefined) throw fault('FLAG_MISSING', 'There is no mesh. Give an OBJ, STL, PLY or GLB file.');
  const ending = extname(path).toLowerCase();
  const format = READ_FORMATS.find((one) => `.${one}` === ending);
  if (!format)
    throw fault(
      'FORMAT_UNKNOWN',
      `${path} ends in no format that can be read. Use ${READ_FORMATS.map((one) => `.${one}`).join(', ')}.`,
    );
  const [report, ...coarser] = await reportsOf(await readGiven(path), format);
  if (flags.json) say(JSON.stringify({ file: path, ...report, ...(coarser.length > 0 && { coarserLevels: coarser }) }));
  else
    [report, ...coarser].forEach((one, level) => {
      if (coarser.length > 0) say(`Level of detail ${level}:`);
      linesOf(one).forEach(say);
    });
}

/** Of every level of detail in the file: bodies that stand in each other's place are judged one by one. */
async function reportsOf(bytes: Uint8Array, format: MeshFormat): Promise<MeshReport[]> {
  const { loadUnpacker } = await loadKernels();
  const reports: MeshReport[] = [];
  for (let level = 0, levels = 1; level < levels; level++) {
    const read = await readBack(bytes, format, loadUnpacker, { level });
    if (!read.ok) throw faultOf(read.error);
    reports.push(checkMesh(inMm(read.value.mesh, format)));
    levels = read.value.levels;
  }
  return reports;
}

function linesOf(report: MeshReport): string[] {
  const yes = (value: boolean): string => (value ? 'yes' : 'NO');
  const crossing = `${report.crossingFaces}${report.crossingCapped ? ' or more' : ''}`;
  const { shortest, longest } = report.edgeMm;
  return [
    `closed ${yes(report.closed)}, manifold ${yes(report.manifold)}, outward ${yes(report.outward)}, crossing ` +
      `faces ${crossing}`,
    `${report.faces} faces: ${report.quads} quads, ${report.triangles} triangles, ${report.ngons} ` +
      `larger; ${report.slivers} slivers, ${report.longFaces} long, ${report.degenerate} without area`,
    `${report.sizeMm.map((v) => Number(v.toFixed(3))).join(' x ')}, edges ${shortest.toPrecision(3)} ` +
      `to ${longest.toPrecision(3)}`,
  ];
}
