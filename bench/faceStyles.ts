import {
  buildSection,
  checkMesh,
  condition,
  facedFlat,
  flatWavefront,
  gridStep,
  lift,
  sectionEnds,
  sectionLayers,
  type FaceStyle,
  type FlatWavefront,
  type FontFace,
  type Outline,
} from '@fictile/core';
import { SHIPPED_FONTS } from '@fictile/fonts';
import { bentDistance } from './bent.ts';
import { BASIC_LATIN, glyphRings } from './fonts.ts';
import { capQuality, type CapQuality } from './capQuality.ts';
import { quantile } from './statistics.ts';
import type { Say } from './figures.ts';

/** Of the em: lengths of quads, and the edge's width. */
const SIZES = [0.012, 0.018, 0.024];
const EDGE_EM = 0.008;
const EM_MM = 100;
const DEPTH_MM = 18;
const TOLERANCE_MM = 0.05;
const BANDS = 24;

interface Tally extends CapQuality {
  glyphs: number;
  plain: string[];
  unsound: string[];
  ms: number[];
}

const nothing = (): Tally => ({
  glyphs: 0,
  plain: [],
  unsound: [],
  ms: [],
  quads: 0,
  others: 0,
  jacobians: [],
  free: [],
  irregular: 0,
  inner: 0,
});

/**
 * Flowing quads on every letter at three sizes, by kind of font; squares and bands for validity; both bent against
 * plain triangles.
 */
export function benchFaceStyles(faces: readonly FontFace[], every: number, yardstickMs: number, say: Say): void {
  const characters = BASIC_LATIN.filter((_, i) => i % every === 0);
  const bent: { flow: number[]; plain: number[] } = { flow: [], plain: [] };
  for (const share of SIZES) {
    say(
      `\nFlowing quads of ${share * 1000} thousandths of the em, edges ${EDGE_EM * 1000}: ${characters.length} ` +
        'characters a font',
    );
    const kinds = new Map<string, Tally>();
    for (const face of faces) {
      const tally = nothing();
      for (const character of characters) flowOf(face, character, { share, tally, bent });
      tell(face.name, tally, yardstickMs, { say });
      const kind = kindOf(face.name);
      kinds.set(kind, together(kinds.get(kind) ?? nothing(), tally));
    }
    say('');
    for (const [kind, tally] of kinds) tell(`all ${kind}`, tally, yardstickMs, { say });
    tell('all', [...kinds.values()].reduce(together, nothing()), yardstickMs, { say });
  }
  say(
    `\nBent by 180 degrees, largest distance to the bent front, of its size: flow ` +
      `p50 ${perMille(quantile(bent.flow, 0.5))} max ${perMille(quantile(bent.flow, 1))}, ` +
      `plain triangles p50 ${perMille(quantile(bent.plain, 0.5))} max ${perMille(quantile(bent.plain, 1))}`,
  );
  for (const kind of ['grid', 'bands'] as const) tellValid(kind, faces, { characters, say });
}

const perMille = (value: number): string => `${(1000 * value).toFixed(1)} ‰`;
const kindOf = (name: string): string => SHIPPED_FONTS.find(({ family }) => family === name)?.kind ?? 'sans';

interface Drawn {
  outline: Outline;
  em: number;
  step: number;
}

function drawn(face: FontFace, character: string): Drawn | undefined {
  const step = gridStep(2 * EM_MM);
  const sizeMm = (EM_MM * face.metrics.capHeight) / face.metrics.unitsPerEm;
  const { rings, em } = glyphRings(face, character, { sizeMm, step, toleranceMm: TOLERANCE_MM / 2 });
  const { outline } = condition(rings, em);
  return outline.x.length > 0 ? { outline, em, step } : undefined;
}

function sectionFor(step: number) {
  const mm = EDGE_EM * EM_MM;
  const edge = { kind: 'round', inMm: mm, deepMm: mm, steps: 3 } as const;
  return buildSection({ depthMm: DEPTH_MM, front: edge, back: edge, step }).section;
}

function built(
  { outline, em, step }: Drawn,
  style: FaceStyle,
): { flat: FlatWavefront; fellBack: boolean; sound: boolean } {
  const section = sectionFor(step);
  const faced = facedFlat(
    outline,
    { layers: sectionLayers(section), capInsets: sectionEnds(section), em, seed: 1 },
    style,
  );
  const report = checkMesh(lift(faced.flat, { section, step }));
  const sound =
    report.closed && report.manifold && report.outward && report.crossingFaces === 0 && report.degenerate === 0;
  return { ...faced, sound };
}

function flowOf(
  face: FontFace,
  character: string,
  { share, tally, bent }: { share: number; tally: Tally; bent: { flow: number[]; plain: number[] } },
): void {
  const glyph = drawn(face, character);
  if (!glyph) return;
  const { outline, em, step } = glyph;
  const inset = Math.round((EDGE_EM * EM_MM) / step);
  const options = { layers: [inset], capInsets: [inset, inset], em, seed: 1 };
  const style: FaceStyle = { kind: 'flow', size: share * em, tolerance: TOLERANCE_MM / step };
  const started = performance.now();
  const flat = facedFlat(outline, options, style);
  tally.ms.push(performance.now() - started);
  tally.glyphs++;
  const layer = flat.flat.partition.layers.length - 1;
  if (flat.fellBack) tally.plain.push(character);
  else {
    const quality = capQuality(flat.flat, layer, share * em);
    Object.assign(tally, merged(tally, quality));
  }
  if (share !== SIZES[1]) return;
  if (!built(glyph, style).sound) tally.unsound.push(character);
  if (flat.fellBack) return;
  bent.flow.push(bentDistance(flat.flat, layer));
  bent.plain.push(bentDistance(flatWavefront(outline, options), layer));
}

function tellValid(
  kind: 'grid' | 'bands',
  faces: readonly FontFace[],
  { characters, say }: { characters: readonly string[]; say: Say },
): void {
  let [solids, sound, plain] = [0, 0, 0];
  const faults: string[] = [];
  for (const face of faces) {
    for (const character of characters) {
      const glyph = drawn(face, character);
      if (!glyph) continue;
      const result = built(glyph, styleOf(kind, glyph));
      solids++;
      if (result.sound) sound++;
      else faults.push(`${face.name} ${character}`);
      if (result.fellBack) plain++;
    }
  }
  say.put(`${kind}: not valid`, solids - sound, 'solids', { bar: 0, n: solids });
  say(
    `${kind}: ${sound} of ${solids} valid, ${plain} fell back to ` +
      `plain${faults.length > 0 ? `; faults: ${faults.slice(0, 20).join(', ')}` : ''}`,
  );
}

function styleOf(kind: 'grid' | 'bands', { em, step }: Drawn): FaceStyle {
  const tolerance = TOLERANCE_MM / step;
  if (kind === 'grid') return { kind, size: Math.round(SIZES[1] * em), tolerance, origin: { x: 17, y: -31 } };
  return {
    kind,
    lines: { axis: 'x', at: Array.from({ length: BANDS }, (_, i) => Math.round((em * (i + 0.37)) / BANDS)) },
  };
}

const merged = (a: CapQuality, b: CapQuality): CapQuality => ({
  quads: a.quads + b.quads,
  others: a.others + b.others,
  jacobians: [...a.jacobians, ...b.jacobians],
  free: [...a.free, ...b.free],
  irregular: a.irregular + b.irregular,
  inner: a.inner + b.inner,
});

const together = (a: Tally, b: Tally): Tally => ({
  ...merged(a, b),
  glyphs: a.glyphs + b.glyphs,
  plain: [...a.plain, ...b.plain],
  unsound: [...a.unsound, ...b.unsound],
  ms: [...a.ms, ...b.ms],
});

function tell(name: string, t: Tally, yardstickMs: number, { say }: { say: Say }): void {
  const sj = (share: number): string =>
    t.jacobians.length > 0 ? quantile(t.jacobians, share).toFixed(share === 0.5 ? 3 : 2) : '-';
  const slow = quantile(t.ms, 0.95);
  if (name.startsWith('all')) {
    say.put(`flowing quads, ${name}: not sound`, t.unsound.length, 'letters', { bar: 0, n: t.glyphs });
    say.put(`flowing quads, ${name}: quads`, (100 * t.quads) / (t.quads + t.others || 1), '%', {
      aim: 100,
      n: t.glyphs,
    });
    if (t.jacobians.length > 0)
      say.put(`flowing quads, ${name}: jacobian, 1 % quantile`, quantile(t.jacobians, 0.01), '', {
        aim: 0.6,
        n: t.jacobians.length,
      });
    say.put(`flowing quads, ${name}: p95`, slow, 'ms', { aim: 80, n: t.glyphs });
  }
  say(
    `${name.padEnd(22)} ${t.glyphs} letters, quads ${((100 * t.quads) / (t.quads + t.others || 1)).toFixed(1)} ` +
      `%, jacobian least ${sj(0)} 1 % ${sj(0.01)} median ${sj(0.5)}, 1 % away from narrow corners of the ` +
      `front ${t.free.length > 0 ? quantile(t.free, 0.01).toFixed(2) : '-'}, ` +
      `irregular ${((100 * t.irregular) / (t.inner || 1)).toFixed(2)} %, ms ` +
      `p50 ${quantile(t.ms, 0.5).toFixed(0)} p95 ${slow.toFixed(0)} (${(slow / yardstickMs).toFixed(1)} yardsticks)` +
      (t.plain.length > 0 ? `, plain ${t.plain.length}: ${t.plain.slice(0, 24).join('')}` : '') +
      (t.unsound.length > 0 ? `, NOT SOUND: ${t.unsound.join('')}` : ''),
  );
}
