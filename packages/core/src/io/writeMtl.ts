import { utf8Bytes } from '../base/index.ts';
import { lookOf } from './looks.ts';
import type { MaterialNames } from './materialNames.ts';

/**
 * The materials of an OBJ, with the fields of physically based shading that several programs read beside the classic
 * ones.
 */
export function writeMtl(names: MaterialNames): Uint8Array {
  const lines = ['# Fictile'];
  const row = (values: readonly number[]): string => values.map((v) => String(Math.round(v * 1e4) / 1e4)).join(' ');
  for (const { name, finish } of names.all()) {
    const { colour, roughness, metallic, emissive } = lookOf(finish);
    lines.push(
      `newmtl ${name}`,
      `Kd ${row(colour)}`,
      `Ks ${row(colour.map((c) => 0.04 + metallic * (c - 0.04)))}`,
      `Ns ${row([2 + 900 * (1 - roughness) * (1 - roughness)])}`,
      `Ke ${row(emissive)}`,
      `Pr ${row([roughness])}`,
      `Pm ${row([metallic])}`,
      'illum 2',
    );
  }
  return utf8Bytes(lines);
}
