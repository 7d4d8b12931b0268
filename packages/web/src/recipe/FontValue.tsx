import { useQuery } from '@tanstack/react-query';
import { api } from '../api/index.ts';
import { ChoiceValue } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import type { ChapterProps } from './sentenceParts.tsx';
import { loadSamples, sampleName } from './fontSamples.ts';

/** The family and style; its menu is set in the fonts themselves. */
export function FontValue({ piece, edits }: Pick<ChapterProps, 'piece' | 'edits'>) {
  const fonts = useQuery({ queryKey: ['fonts'], queryFn: api.listFonts, staleTime: Infinity });
  const { family, weight } = piece.source.font;
  const styles = (fonts.data ?? []).flatMap((f) =>
    f.styles.map((s) => ({
      value: `${f.family}|${s.weight}`,
      label: `${f.family} ${s.name}`,
      hash: s.hash,
      style: { fontFamily: `"${sampleName(s.hash)}", var(--serif)`, fontSize: 17 },
    })),
  );
  return (
    <ChoiceValue
      label={texts.recipe.font}
      value={`${family}|${weight}`}
      choices={styles}
      shown={styles.find((s) => s.value === `${family}|${weight}`)?.label ?? family}
      onOpen={() => loadSamples(styles.map((s) => s.hash))}
      onChange={(value) => {
        const [name, heavy] = value.split('|');
        edits.words({ font: { family: name, weight: Number(heavy), italic: false, axes: {} } });
      }}
    />
  );
}
