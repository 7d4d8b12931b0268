import { SHIPPED_FONTS } from '@fictile/fonts';
import { loadKernels } from '@fictile/kernels';
import { benchConform } from './conform.ts';
import { benchCut } from './cut.ts';
import { benchCutPlacements } from './cutPlacements.ts';
import { benchFaceStyles } from './faceStyles.ts';
import { benchFontChange, benchScrolling } from './fontChange.ts';
import { benchFaces } from './fonts.ts';
import { benchGrowth } from './growth.ts';
import { benchKeystrokes } from './keystroke.ts';
import { benchPlacements } from './placements.ts';
import { benchRetype } from './retype.ts';
import { benchShape } from './shape.ts';
import { benchSolids } from './solidRun.ts';
import { benchFont, type Row } from './solids.ts';
import { benchStrings, STRINGS } from './strings.ts';
import { yardstick } from './three.ts';

// Ratios within one run: machines here are noisy. `--every N` takes every Nth character, `--no-browser` leaves out the page.
const every = Number(process.argv[process.argv.indexOf('--every') + 1] || 1) || 1;
const say = (line: string): void => void process.stdout.write(`${line}\n`);

const yardstickMs = yardstick();
say(`yardstick: three extrudes a fixed set of polylines in ${yardstickMs.toFixed(2)} ms`);
const kernels = await loadKernels();
if (process.argv.includes('--fonts')) {
  await tellFonts();
  process.exit();
}
if (process.argv.includes('--strings')) {
  await tellStrings();
  process.exit();
}
const faces = await benchFaces(kernels);
if (process.argv.includes('--solids')) {
  benchSolids(faces, { all: process.argv.includes('--all'), resume: process.argv.includes('--resume') }, say);
  process.exit();
}

if (process.argv.includes('--faces')) {
  benchFaceStyles(faces, every, yardstickMs, say);
  process.exit();
}

if (process.argv.includes('--shape')) {
  const at = process.argv.indexOf('--plot');
  await benchShape(kernels, yardstickMs, say, at < 0 ? undefined : process.argv[at + 1]);
  process.exit();
}

if (process.argv.includes('--conform')) {
  const at = process.argv.indexOf('--placements');
  if (at < 0) await benchConform(kernels, yardstickMs, say);
  else await benchPlacements(kernels, Number(process.argv[at + 1]) || 200, say);
  process.exit();
}

if (process.argv.includes('--cut')) {
  const at = process.argv.indexOf('--placements');
  const only = process.argv.indexOf('--case') + 1;
  if (at < 0) await benchCut(kernels, yardstickMs, { say, only: only > 0 ? process.argv[only] : undefined });
  else await benchCutPlacements(kernels, Number(process.argv[at + 1]) || 60, say);
  process.exit();
}

if (process.argv.includes('--growth')) {
  const at = process.argv.indexOf('--plot');
  benchGrowth(faces, yardstickMs, say, at < 0 ? undefined : process.argv[at + 1]);
  process.exit();
}

say('\nSolids: Basic Latin x widths 0.3, 2, 10, 40 mm x chamfer 1, round 6 (capitals 72 mm, both edges)');
benchFont(faces[0], 6); // both sides' code gets compiled before anything counts; caches of ours there are none
const rows = faces.map((face) => {
  const row = benchFont(face, every);
  tell(row);
  return row;
});
tell(total(rows));

say('\nOne letter of 40 changed');
for (const face of faces.filter((f) => f.name === 'Work Sans' || f.name === 'Zilla Slab'))
  say(await benchRetype(kernels, face));

if (!process.argv.includes('--no-browser')) {
  say('\nKeystroke to mesh at the renderer, headless Chromium, drawing off');
  say(await benchKeystrokes());
  await tellFonts();
}
say(`\nyardstick again: ${yardstick().toFixed(2)} ms`);

/** What trying fonts costs in the page. */
async function tellFonts(): Promise<void> {
  say('\nFonts, headless Chromium, drawing off');
  say(await benchFontChange(yardstickMs));
  say(await benchScrolling(yardstickMs));
}

/** Validity alone: each string in each fitting font. */
async function tellStrings(): Promise<void> {
  say(`\n${STRINGS.length} strings in every shipped family that has them`);
  let [built, faulty] = [0, 0];
  for (const family of SHIPPED_FONTS) {
    const row = await benchStrings(kernels, family);
    built += row.built;
    faulty += row.faults.length;
    say(`${row.font.padEnd(22)} ${row.built - row.faults.length} of ${row.built} valid`);
    row.faults.forEach((fault) => say(`    ${fault}`));
  }
  say(`all                    ${built - faulty} of ${built} valid`);
}

function tell(row: Row): void {
  const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
  const fallbacks = Object.entries(row.rungs).filter(([kind]) => kind !== 'first-try');
  say(
    `${row.font.padEnd(12)} ${row.valid} of ${row.solids} valid, fallbacks ${fallbacks.length === 0 ? 'none' : JSON.stringify(Object.fromEntries(fallbacks))}, ` +
      `quads by area of edge and wall ${percent(row.quadArea / row.area)}, slivers ${percent(row.slivers / row.triangles)}, ` +
      `ours ${(row.ours / row.solids).toFixed(2)} ms, three ${(row.theirs / row.solids).toFixed(2)} ms, ours / three ${(row.ours / row.theirs).toFixed(2)}, ` +
      `three crosses itself in ${percent(row.theirCrossing / row.solids)}`,
  );
}

function total(all: readonly Row[]): Row {
  return all.reduce((a, b) => ({
    font: 'all',
    solids: a.solids + b.solids,
    valid: a.valid + b.valid,
    rungs: Object.fromEntries(
      [...new Set([...Object.keys(a.rungs), ...Object.keys(b.rungs)])].map((k) => [
        k,
        (a.rungs[k] ?? 0) + (b.rungs[k] ?? 0),
      ]),
    ),
    area: a.area + b.area,
    quadArea: a.quadArea + b.quadArea,
    slivers: a.slivers + b.slivers,
    triangles: a.triangles + b.triangles,
    ours: a.ours + b.ours,
    theirs: a.theirs + b.theirs,
    theirCrossing: a.theirCrossing + b.theirCrossing,
  }));
}
