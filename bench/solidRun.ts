import type { FontFace } from '@fictile/core';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { allCases, CAPITALS_MM, countOf, judgeCase, sampledCases, type SolidCase, type Verdict } from './solidCases.ts';
import type { Say } from './figures.ts';

const SAMPLE = 2000;
const SEED = 20;
/** Where a long run has come to. */
const PROGRESS = 'bench/out/solids.json';
const SAVED_EVERY = 500;

interface Tally {
  done: number;
  sound: number;
  empty: number;
  rungs: Record<string, number>;
  told: Record<string, number>;
  faces: number;
  area: number;
  quadArea: number;
  slivers: number;
  longestSliver: number;
  /** quads where no ridge can form: widths up to 2 % */
  fineArea: number;
  fineQuadArea: number;
  faults: string[];
}

const nothing = (): Tally => ({
  done: 0,
  sound: 0,
  empty: 0,
  rungs: {},
  told: {},
  faces: 0,
  area: 0,
  quadArea: 0,
  slivers: 0,
  longestSliver: 0,
  fineArea: 0,
  fineQuadArea: 0,
  faults: [],
});

/**
 * Validity of letters with every kind of section: a seeded sample, or all of them, going on where the last run was
 * stopped.
 */
export function benchSolids(faces: readonly FontFace[], choice: { all: boolean; resume: boolean }, say: Say): void {
  const fonts = new Map(faces.map((face) => [face.name, face]));
  const names = [...fonts.keys()];
  const cases = choice.all ? allCases(names) : sampledCases(names, SAMPLE, SEED);
  const total = choice.all ? countOf(names) : SAMPLE;
  const tally =
    choice.all && choice.resume && existsSync(PROGRESS)
      ? (JSON.parse(readFileSync(PROGRESS, 'utf8')) as Tally)
      : nothing();
  let at = 0;
  for (const asked of cases) {
    if (at++ < tally.done) continue;
    add(tally, judgeCase(fonts.get(asked.font) as FontFace, asked), say);
    if (choice.all && tally.done % SAVED_EVERY === 0) save(tally);
    if (tally.done % SAVED_EVERY === 0) say(`  ${tally.done} of ${total}, ${tally.sound} sound`);
  }
  if (choice.all) save(tally);
  tell(tally, total, say);
}

function save(tally: Tally): void {
  mkdirSync('bench/out', { recursive: true });
  writeFileSync(PROGRESS, JSON.stringify(tally));
}

function add(tally: Tally, verdict: Verdict, say: Say): void {
  tally.done++;
  if (verdict.sound) tally.sound++;
  else {
    tally.faults.push(nameOf(verdict.case));
    say(`  not sound: ${nameOf(verdict.case)} (${verdict.rung})`);
  }
  if (verdict.rung !== 'first-try') say(`  fallback ${verdict.rung}: ${nameOf(verdict.case)}`);
  if (verdict.faces === 0) tally.empty++;
  tally.rungs[verdict.rung] = (tally.rungs[verdict.rung] ?? 0) + 1;
  for (const code of verdict.told) tally.told[code] = (tally.told[code] ?? 0) + 1;
  tally.faces += verdict.faces;
  tally.area += verdict.area;
  tally.quadArea += verdict.quadArea;
  tally.slivers += verdict.slivers;
  tally.longestSliver = Math.max(tally.longestSliver, verdict.longestSliver);
  if (verdict.case.widthPercent > 2) return;
  tally.fineArea += verdict.area;
  tally.fineQuadArea += verdict.quadArea;
}

const nameOf = ({ font, character, widthPercent, kind, outward, side }: SolidCase): string =>
  `${font} ${character} ${widthPercent} % ${kind} ${outward ? 'outward' : 'inward'} ${side}`;

function tell(tally: Tally, total: number, say: Say): void {
  const percent = (part: number, whole: number): string => `${((100 * part) / Math.max(whole, 1e-12)).toFixed(2)} %`;
  say.put('solids: not sound', tally.faults.length, 'solids', { bar: 0, n: tally.done });
  say.put('solids: quads by area of edge and wall', (100 * tally.quadArea) / Math.max(tally.area, 1e-12), '%', {
    n: tally.done,
  });
  say(`${tally.done} of ${total} judged, ${tally.sound} sound, ${tally.faults.length} not`);
  say(
    `built: ${JSON.stringify(tally.rungs)}; told of the section: ${JSON.stringify(tally.told)}; without any ` +
      `ink: ${tally.empty}`,
  );
  say(
    `quads by area of edge and wall ${percent(tally.quadArea, tally.area)}; with widths up to 2 ` +
      `% ${percent(tally.fineQuadArea, tally.fineArea)}`,
  );
  say(
    `slivers ${percent(tally.slivers, tally.faces)} of the faces, the ` +
      `longest ${percent(tally.longestSliver, CAPITALS_MM)} of the height of capitals`,
  );
}
