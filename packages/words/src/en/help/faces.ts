import type { HelpWords } from '../../helpWords.ts';

/** Of how faces are cut. */
export const FACES_HELP = {
  FACES_PLAIN: {
    name: 'Plain faces instead',
    means: 'No faces of the wanted style were found that cover this letter without crossing.',
    helps: 'Try another size or style of faces. Plain ones are sound, too, but bend less well.',
  },
  OVER_BUDGET: {
    name: 'More faces than allowed',
    means: 'A project says how many faces may be built, so that a value typed by mistake can’t stop the page.',
    helps: 'Make the faces larger or the tolerance greater, or set the words in several pieces.',
  },
  NEED_FINER: {
    name: 'Too coarse to bend',
    means: 'The edges of the faces are longer than the shape can bend without corners. Somebody set their size.',
    helps: 'Make them as fine as the button says, or give the size back: then they follow what the shape needs.',
  },
  NEED_OVER_BUDGET: {
    name: 'Not faces enough for the shape',
    means: 'As fine as the shape needs they would be more than are allowed, so curves show corners.',
    helps: 'Make the shape gentler, or the tolerance greater.',
  },
  ROUNDING_COLLAPSED: {
    name: 'Faces lost in rounding',
    means: 'Most files hold numbers with seven digits. Faces smaller than the last of them vanish.',
    helps: 'Save in millimetres instead of metres, or with less detail.',
  },
} satisfies Partial<HelpWords>;
