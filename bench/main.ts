import { SHIPPED_FONTS } from '@fictile/fonts';
import { loadKernels } from '@fictile/kernels';
import { benchAttacks } from './attacks.ts';
import { benchBytes } from './bytes.ts';
import { benchConform } from './conform.ts';
import { benchCut } from './cut.ts';
import { benchCutPlacements } from './cutPlacements.ts';
import { benchFaceStyles } from './faceStyles.ts';
import { benchFontChange, benchScrolling } from './fontChange.ts';
import { makeSay } from './figures.ts';
import { benchFaces } from './fonts.ts';
import { benchGrowth } from './growth.ts';
import { benchKeystrokes } from './keystroke.ts';
import { benchPlacements } from './placements.ts';
import { benchRetype } from './retype.ts';
import { benchSections } from './sections.ts';
import { benchShape } from './shape.ts';
import { benchSolids } from './solidRun.ts';
import { benchFont, type Row } from './solids.ts';
import { benchStrings, STRINGS } from './strings.ts';
import { yardstick } from './three.ts';
import { benchSwift } from './swift.ts';
import { benchCommandLine } from './swiftCommand.ts';
import { benchSwiftBuild } from './swiftBuild.ts';
import { benchSwiftPage } from './swiftPage.ts';
import { benchThreads } from './swiftThreads.ts';
import { benchSwiftTyping } from './swiftTyping.ts';
import { benchTogether } from './together.ts';
import { benchUneven } from './unevenCases.ts';
import { benchWords } from './wordRun.ts';

/** Words, pairs and lines that are judged beside single letters. */
const WORDS = 1000;
/** Words made uneven. */
const UNEVEN = 200;

// Ratios within one run: machines here are noisy. `--json` gives a line of JSON a figure. `--every N` takes every Nth
// character, `--no-browser` leaves out the page.
const numberAfter = (flag: string): number | undefined =>
  Number(process.argv[process.argv.indexOf(flag) + 1]) || undefined;
const every = numberAfter('--every') ?? 1;
const yardstickMs = yardstick();
const say = makeSay(process.argv.includes('--json'), yardstickMs);
say(`yardstick: three extrudes a fixed set of polylines in ${yardstickMs.toFixed(2)} ms`);
say.put('yardstick', yardstickMs, 'ms');
if (process.argv.includes('--attacks')) {
  await benchAttacks(say);
  end();
}
const kernels = await loadKernels();
if (process.argv.includes('--fonts')) {
  await tellFonts();
  end();
}
if (process.argv.includes('--strings')) {
  await tellStrings();
  end();
}
if (process.argv.includes('--words')) {
  await benchWords(kernels, numberAfter('--words') ?? WORDS, numberAfter('--seed'), { say });
  end();
}
if (process.argv.includes('--uneven')) {
  await benchUneven(kernels, numberAfter('--uneven') ?? UNEVEN, numberAfter('--seed'), { say });
  end();
}
if (process.argv.includes('--bytes')) {
  await benchBytes(kernels, process.argv[process.argv.indexOf('--bytes') + 1], say);
  end();
}
if (process.argv.includes('--swift')) {
  await benchSwift(kernels, yardstickMs, say);
  await benchSwiftTyping(kernels, say);
  await benchThreads(kernels, say);
  await benchSwiftBuild(kernels, await benchFaces(kernels), say);
  benchCommandLine(say);
  if (!process.argv.includes('--no-browser')) await benchSwiftPage(say);
  end();
}
if (process.argv.includes('--together')) {
  await benchTogether(kernels, yardstickMs, say);
  end();
}
const faces = await benchFaces(kernels);
if (process.argv.includes('--solids')) {
  benchSections(say);
  benchSolids(faces, { all: process.argv.includes('--all'), resume: process.argv.includes('--resume') }, say);
  await benchWords(kernels, WORDS, undefined, { say });
  end();
}

if (process.argv.includes('--faces')) {
  benchFaceStyles(faces, every, yardstickMs, say);
  end();
}

if (process.argv.includes('--shape')) {
  const at = process.argv.indexOf('--plot');
  await benchShape(kernels, yardstickMs, say, { plot: at < 0 ? undefined : process.argv[at + 1] });
  end();
}

if (process.argv.includes('--conform')) {
  const at = process.argv.indexOf('--placements');
  if (at < 0) await benchConform(kernels, yardstickMs, say);
  else await benchPlacements(kernels, numberAfter('--placements') ?? 200, say);
  end();
}

if (process.argv.includes('--cut')) {
  const at = process.argv.indexOf('--placements');
  const only = process.argv.indexOf('--case') + 1;
  if (at < 0) await benchCut(kernels, yardstickMs, { say, only: only > 0 ? process.argv[only] : undefined });
  else await benchCutPlacements(kernels, numberAfter('--placements') ?? 60, say);
  end();
}

if (process.argv.includes('--growth')) {
  const at = process.argv.indexOf('--plot');
  benchGrowth(faces, yardstickMs, say, { plot: at < 0 ? undefined : process.argv[at + 1] });
  end();
}

say('\nSolids: Basic Latin x widths 0.3, 2, 10, 40 mm x chamfer 1, round 6 (capitals 72 mm, both edges)');
benchFont(faces[0], 6); // both sides' code gets compiled before anything counts; caches of ours there are none
const rows = faces.map((face) => {
  const row = benchFont(face, every);
  tell(row);
  return row;
});
tell(total(rows));
putSolids(total(rows));

say('\nOne letter of 40 changed');
for (const face of faces.filter((f) => f.name === 'Work Sans' || f.name === 'Zilla Slab'))
  say(await benchRetype(kernels, face, say));

if (!process.argv.includes('--no-browser')) {
  say('\nKeystroke to mesh at the renderer, headless Chromium, drawing off');
  say(await benchKeystrokes(say));
  await tellFonts();
}
say(`\nyardstick again: ${yardstick().toFixed(2)} ms`);
end();

/** A bar that is not met is a failure of the whole run. */
function end(): never {
  process.exit(say.failed() ? 1 : 0);
}

/** What trying fonts costs in the page. */
async function tellFonts(): Promise<void> {
  say('\nFonts, headless Chromium, drawing off');
  say(await benchFontChange(yardstickMs, say));
  say(await benchScrolling(yardstickMs, say));
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
  say.put('strings: not valid', faulty, 'solids', { bar: 0, n: built });
  say(`all                    ${built - faulty} of ${built} valid`);
}

function tell(row: Row): void {
  const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
  const fallbacks = Object.entries(row.rungs).filter(([kind]) => kind !== 'first-try');
  say(
    `${row.font.padEnd(12)} ${row.valid} of ${row.solids} valid, ` +
      `fallbacks ${fallbacks.length === 0 ? 'none' : JSON.stringify(Object.fromEntries(fallbacks))}, ` +
      `quads by area of edge and wall ${percent(row.quadArea / row.area)}, ` +
      `slivers ${percent(row.slivers / row.triangles)}, ` +
      `ours ${(row.ours / row.solids).toFixed(2)} ms, three ${(row.theirs / row.solids).toFixed(2)} ms, ours / ` +
      `three ${(row.ours / row.theirs).toFixed(2)}, ` +
      `three crosses itself in ${percent(row.theirCrossing / row.solids)}`,
  );
}

function putSolids({ solids, valid, ours, theirs, quadArea, area }: Row): void {
  say.put('solids: not valid', solids - valid, 'solids', { bar: 0, n: solids });
  say.put('solids: ours to three, time', ours / theirs, 'times', { bar: 2, n: solids });
  say.put('solids: quads by area of edge and wall', (100 * quadArea) / area, '%', { n: solids });
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
