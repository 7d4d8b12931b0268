import { STEPS, type AnyStep, type Field, type Fields } from '@fictile/core';
import { takes } from '../flagKinds.ts';
import { ALL_FLAGS } from '../flags.ts';
import { FLAG_HELP, usualOfFlag } from '../help/flagHelp.ts';
import { byTurn, STEP_FLAGS, usualText } from '../stepFlags.ts';

const row = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
const code = (text: string): string => (text === '' ? '' : `\`${text.replaceAll('|', '\\|')}\``);

const table = (heads: readonly string[], rows: readonly (readonly string[])[]): string =>
  [row(heads), row(heads.map(() => '---')), ...rows.map(row)].join('\n');

/** The flags of `make` beside those of steps, by their groups. */
export const makeFlagTable = (): string =>
  Object.entries(FLAG_HELP)
    .map(([group, flags]): [string, string[][]] => [
      group,
      Object.entries(flags)
        .filter(([name]) => !(name in STEP_FLAGS))
        .map(([name, [text, said]]) => [
          code(`--${name}`),
          code(takes(ALL_FLAGS[name])),
          text.replaceAll('|', '\\|'),
          usualOfFlag(name, said),
        ]),
    ])
    .filter(([, rows]) => rows.length > 0)
    .map(([group, rows]) => `**${group}**\n\n${table(['flag', 'takes', 'what for', 'usual'], rows)}`)
    .join('\n\n');

/** The flags of steps, in the order in which they are taken. */
export function stepFlagTable(): string {
  const rows = [...STEPS].sort(byTurn).flatMap(({ kind }) =>
    Object.entries(STEP_FLAGS)
      .filter(([, { step }]) => step === kind)
      .map(([name, { kind: read, of, field, help }]) => [
        code(`--${name}`),
        code(takes(read)),
        help,
        of === undefined || field === undefined ? '' : (usualText(kind, field) ?? ''),
      ]),
  );
  return table(['flag', 'takes', 'what for', 'usual'], rows);
}

/** Every value of every step, as a document holds it. */
export const stepTable = (): string =>
  table(
    ['step', 'value', 'what it may be', 'usual', 'in time'],
    STEPS.flatMap(({ kind, fields }: AnyStep) => valueRows(kind, fields, '')),
  );

function valueRows(kind: string, fields: Fields, before: string): string[][] {
  return Object.entries(fields).flatMap(([name, field]) => {
    const path = before + name;
    const inner = field.fields
      ? valueRows(kind, field.fields, `${path}.`)
      : Object.entries(field.kinds ?? {}).flatMap(([one, own]) => valueRows(kind, own, `${path} (${one}).`));
    const told = [code(kind), code(path), rangeText(field), usualOf(field), field.moves ?? 'no'];
    return field.fields || field.kinds ? inner : [told, ...inner];
  });
}

const usualOf = ({ usual, is }: Field): string =>
  is === 'data' || is === 'course' || is === 'places' || is === 'picture' ? '' : code(JSON.stringify(usual));

const UNITS: Readonly<Record<string, string>> = { mm: ' mm', deg: '°', '%': ' %', '‰': ' ‰', count: '' };

function rangeText(field: Field): string {
  const { is, range, of, parts, unit } = field;
  if (of) return of.map((one) => code(one)).join(', ');
  if (parts) return `${parts.length} × ${rangeText(parts[0])}`;
  if (!range) return SAID[is] ?? '';
  const amount = `${range.min} to ${range.max}${UNITS[unit ?? ''] ?? ''}`;
  return range.isWhole ? `whole, ${amount}` : amount;
}

const SAID: Readonly<Record<string, string>> = {
  flag: '`true`, `false`',
  letters: 'ids of letters; none: all',
  piece: 'id of a piece; empty: none',
  course: 'points `{ "at": 0 to 1, "value" }`',
  picture: 'a byte a place from the top, base64',
  places: 'a list of points `[x, y, z]`',
};
