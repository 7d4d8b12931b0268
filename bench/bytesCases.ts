import {
  newForm,
  newPiece,
  splitGraphemes,
  usualForms,
  usualStep,
  type Edit,
  type Project,
  type Step,
} from '@fictile/core';
import { SHIPPED_FONTS } from '@fictile/fonts';
import { madeProject } from './madeProject.ts';
import { seeded, type Seeded } from './seeded.ts';

const SEED = 23;
const WORDS = 'words';
const BODY = 'body';

/** Words of every kind: alone, shaped, laid on forms, cut into them. */
export function seededProjects(count: number): Project[] {
  const random = seeded(SEED);
  return Array.from({ length: count }, (_, i) => {
    if (i % 4 === 2) return onBody(random, i, false);
    if (i % 4 === 3) return onBody(random, i, true);
    return alone(random, i);
  });
}

function looks({ pick, between }: Seeded): Edit[] {
  const { family, styles } = pick(SHIPPED_FONTS);
  const { weight, italic } = pick(styles);
  const kind = pick(['plain', 'chamfer', 'round', 'cove'] as const);
  const size = between(0.2, 1.5);
  return [
    { kind: 'setWords', pieceId: WORDS, values: { font: { family, weight, italic, axes: {} }, sizeMm: 18 } },
    {
      kind: 'setSolid',
      pieceId: WORDS,
      values: { depthMm: between(2, 8), front: { kind, inMm: size, deepMm: size, steps: 3, points: [] } },
    },
  ];
}

function alone(random: Seeded, i: number): Project {
  const { pick, letters, chance } = random;
  const pieces = [newPiece(WORDS, WORDS, splitGraphemes(letters(1 + Math.floor(chance() * 6))))];
  const style = pick(['plain', 'flow', 'grid', 'bands'] as const);
  const steps = Array.from({ length: Math.floor(chance() * 4) }, (_, k) => stepOf(random, `s${k}`));
  return madeProject(`alone ${i}`, pieces, [
    ...looks(random),
    { kind: 'setFaces', pieceId: WORDS, values: { style } },
    { kind: 'setSteps', pieceId: WORDS, steps },
  ]);
}

function stepOf({ pick, between }: Seeded, id: string): Step {
  const kind = pick(['bend', 'twist', 'taper', 'wave', 'noise', 'run', 'triangles', 'subdivide'] as const);
  if (kind === 'bend') return { ...usualStep(kind, id), angleDegrees: between(-200, 200) };
  if (kind === 'twist') return { ...usualStep(kind, id), angleDegrees: between(-120, 120) };
  return usualStep(kind, id);
}

function onBody(random: Seeded, i: number, isCut: boolean): Project {
  const { pick, letters, chance } = random;
  const { ball, block, jug, ring } = usualForms();
  const pieces = [
    newPiece(WORDS, WORDS, splitGraphemes(letters(1 + Math.floor(chance() * 3)))),
    newForm(BODY, BODY, pick([ball, block, jug, ring])),
  ];
  const onto = { ...usualStep('onto', 'onto'), target: BODY, fromMm: [0, 60, 300] as [number, number, number] };
  const method = pick(['round', 'direction', 'closest', 'flat'] as const);
  const operation = pick(['engrave', 'raise', 'join', 'through', 'imprint'] as const);
  return madeProject(`${isCut ? 'cut' : 'laid'} ${i}`, pieces, [
    ...looks(random),
    { kind: 'setSteps', pieceId: WORDS, steps: [{ ...onto, method }] },
    ...(isCut
      ? [
          {
            kind: 'setSteps',
            pieceId: BODY,
            steps: [{ ...usualStep('cut', 'cut'), target: WORDS, operation }],
          } as const,
        ]
      : []),
  ]);
}
