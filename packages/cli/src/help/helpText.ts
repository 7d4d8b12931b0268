import { ALL_FLAGS } from '../flags.ts';
import { FLAG_HELP, usualOfFlag } from './flagHelp.ts';
import { takes } from '../flagKinds.ts';

interface CommandHelp {
  /** one line for the list of all */
  line: string;
  usage: string[];
  /** what it does, and what its exit says */
  does: string[];
  /** by group: flag, what it takes, what it is for */
  flags: Readonly<Record<string, readonly (readonly [flag: string, takes: string, text: string])[]>>;
  examples: [string, string];
}

const makeFlags = (): CommandHelp['flags'] =>
  Object.fromEntries(
    Object.entries(FLAG_HELP).map(([group, flags]) => [
      group,
      Object.entries(flags).map(([name, [text, said]]) => {
        const usual = usualOfFlag(name, said);
        return [name, takes(ALL_FLAGS[name]), usual === '' ? text : `${text} (usual: ${usual})`];
      }),
    ]),
  );

export const COMMAND_HELP: Readonly<Record<string, CommandHelp>> = {
  make: {
    line: 'words or a drawing to a mesh file',
    usage: ['fictile make --text TEXT|--svg FILE --out FILE [flags]'],
    does: [
      'Builds words or a drawing and writes them, with the same bytes as the application. Lengths take ' +
        'millimetres or a',
      'unit (18mm, 1.8cm, 0.7in), angles degrees.',
    ],
    flags: makeFlags(),
    examples: [
      'fictile make --text "Kiln" --font "Zilla Slab" --edge round --edge-in 2mm --out kiln.obj',
      'fictile make --text "Row" --onto jug.stl --lift 1mm --with jug.stl --operation engrave --sink 2mm --out ' +
        'jug-row.glb',
    ],
  },
  batch: {
    line: 'many cases, one JSON object a line',
    usage: ['fictile batch CASES.jsonl --out-dir DIR [--jobs N]'],
    does: [
      'Each line holds the flags of make in camelCase and its own out. A line of JSON comes back for each, in ' +
        "the file's",
      'order; one that fails stops no other. Exits 0 when every line was worked through.',
    ],
    flags: {
      '': [
        ['out-dir', 'DIR', 'where the files go; needed'],
        ['jobs', 'N', 'how many are worked on at once (usual: 1)'],
      ],
    },
    examples: ['fictile batch signs.jsonl --out-dir out', 'fictile batch signs.jsonl --out-dir out --jobs 4'],
  },
  bake: {
    line: 'a saved project to a mesh file',
    usage: [
      'fictile bake PROJECT.fictile|PROJECT.json [--piece NAME] --out FILE',
      'fictile bake PROJECT [--piece NAME] --words FILE.csv --out-dir DIR [--format obj|stl|ply|glb]',
    ],
    does: [
      'Writes all pieces that are seen into one file, or one of them; or a file for every row of a table of words.',
    ],
    flags: {
      '': [
        ['piece', 'NAME', 'that piece alone (usual: all that are seen)'],
        ['out', 'FILE', 'the file to write: .obj, .stl, .ply or .glb'],
        ['words', 'FILE.csv', 'a table; its first column holds the words'],
        ['out-dir', 'DIR', 'where the files of --words go'],
        ['format', 'obj|stl|ply|glb', 'of the files of --words (usual: obj)'],
        ['json', '', 'say one line of JSON a file'],
        ['quiet', '', 'say nothing'],
      ],
    },
    examples: [
      'fictile bake row.fictile --out row.glb',
      'fictile bake row.fictile --piece Title --words names.csv --out-dir names --format glb',
    ],
  },
  check: {
    line: 'whether a mesh is sound',
    usage: ['fictile check MESH.obj|MESH.stl|MESH.ply|MESH.glb [--json]'],
    does: [
      'Judges a mesh as the application does: closed, manifold, outward, crossing faces, counts. Exits 0 ' +
        'whatever it finds.',
    ],
    flags: { '': [['json', '', 'say all figures as one line of JSON']] },
    examples: ['fictile check kiln.obj', 'fictile check kiln.glb --json'],
  },
  schema: {
    line: 'the JSON Schema of a file',
    usage: ['fictile schema [project|case|section]'],
    does: ['Prints the schema of a saved document, of a line of a batch, or of a drawn edge or side (usual: project).'],
    flags: {},
    examples: ['fictile schema > project.schema.json', 'fictile schema case'],
  },
};

/** All commands, a line each. */
export function helpForAll(): string {
  const rows = Object.entries(COMMAND_HELP).map(([name, { line }]) => `  ${name.padEnd(8)} ${line}`);
  return [
    'fictile COMMAND …: lettering in 3D without a browser',
    '',
    ...rows,
    '',
    'fictile COMMAND --help tells the flags of one; fictile --version the version.',
    'Exits: 0 done, 2 the input is at fault, 1 a fault of ours.',
    '',
    'Examples:',
    `  ${COMMAND_HELP.make.examples[0]}`,
    `  ${COMMAND_HELP.check.examples[0]}`,
  ].join('\n');
}

export function helpFor(name: string): string {
  const { usage, does, flags, examples } = COMMAND_HELP[name];
  const groups = Object.entries(flags).flatMap(([group, rows]) => [
    '',
    group === '' ? 'Flags:' : `${group}:`,
    ...rows.flatMap(flagLines),
  ]);
  return [...usage, '', ...does, ...groups, '', 'Examples:', ...examples.map((one) => `  ${one}`)].join('\n');
}

/** Where the text begins; a longer flag has a line of its own. */
const COLUMN = 34;

function flagLines([flag, value, text]: readonly [string, string, string]): string[] {
  const head = `  --${flag}${value === '' ? '' : ` ${value}`}`;
  return head.length < COLUMN ? [head.padEnd(COLUMN) + text] : [head, ' '.repeat(COLUMN) + text];
}
