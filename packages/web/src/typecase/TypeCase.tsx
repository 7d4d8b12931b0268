import { FileButton, Loader, UnstyledButton } from '@mantine/core';
import { covers, splitGraphemes } from '@fictile/core';
import type { FontFamilyInfo } from '@fictile/contract';
import { IconStarFilled } from '@tabler/icons-react';
import { useState } from 'react';
import { FONT_FILES, FontSample, useBringFonts, useFavourites, useFonts, heaviest } from '../fonts/index.ts';
import { ChoiceValue, DropFiles, Notes, ScreenNav, Sentence, Unreached } from '../ui/index.ts';
import navClasses from '../ui/ScreenNav.module.css';
import { texts } from '../words/index.ts';
import { FamilyFacts } from './FamilyFacts.tsx';
import classes from './TypeCase.module.css';

const KINDS = ['all', 'favourites', ...Object.keys(texts.fontKinds)] as const;
const USUAL_WORDS = 'Kiln Opening';

const kindName = (kind: string): string => (texts.fontKinds as Readonly<Record<string, string>>)[kind] ?? kind;

const KIND_LABELS: Readonly<Record<string, string>> = {
  all: texts.typeCase.all,
  favourites: texts.typeCase.favourites,
};

/** All families, filtered by a sentence and set in one's own words. */
export function TypeCase() {
  const fonts = useFonts();
  const [kind, setKind] = useState<string>('all');
  const [words, setWords] = useState(USUAL_WORDS);
  const [chosen, setChosen] = useState<string>();
  const favourites = useFavourites();
  const { bring, isBusy } = useBringFonts((family) => {
    setKind('all');
    setChosen(family);
  });
  const shown = words.trim() === '' ? USUAL_WORDS : words;
  const graphemes = splitGraphemes(shown).filter((g) => g.trim() !== '');
  const all = fonts.data ?? [];
  const isOf = (f: FontFamilyInfo): boolean =>
    kind === 'all' || (kind === 'favourites' ? favourites.has(f.family) : f.kind === kind);
  const fitting = all.filter((f) => isOf(f) && graphemes.every((g) => covers(f, g)));
  const family = fitting.find((f) => f.family === chosen) ?? fitting.at(0);
  const t = texts.typeCase;
  const values = {
    kind: (
      <ChoiceValue
        label={t.kind}
        value={kind}
        choices={KINDS.map((value) => ({ value, label: KIND_LABELS[value] ?? kindName(value).toLowerCase() }))}
        usual="all"
        onChange={setKind}
      />
    ),
    words: (
      <input
        className={classes.words}
        aria-label={t.words}
        value={words}
        maxLength={60}
        onChange={(event) => setWords(event.currentTarget.value)}
      />
    ),
  };
  return (
    <>
      <WaysIn bring={bring} isBusy={isBusy} />
      <main className={classes.case}>
        <h1 className={classes.sentence}>
          <Sentence template={t.filter} values={values} />
          <small aria-live="polite">{fonts.data && t.count(fitting.length, all.length)}</small>
        </h1>
        {fonts.isPending && <Loader aria-label={texts.loading} />}
        {fonts.isError && <Unreached text={t.failed} onRetry={() => void fonts.refetch()} />}
        {fonts.data && fitting.length === 0 && <p>{t.none}</p>}
        <Drawers families={fitting} words={shown} chosen={family} favourites={favourites} onChoose={setChosen} />
        {family && <FamilyFacts family={family} words={shown} favourites={favourites} />}
      </main>
    </>
  );
}

interface DrawersProps {
  families: readonly FontFamilyInfo[];
  words: string;
  chosen: FontFamilyInfo | undefined;
  favourites: ReturnType<typeof useFavourites>;
  onChoose: (family: string) => void;
}

function Drawers({ families, words, chosen, favourites, onChoose }: DrawersProps) {
  return (
    <ul className={classes.drawers}>
      {families.map((one) => (
        <Drawer
          key={one.family}
          family={one}
          words={words}
          isChosen={one === chosen}
          isFavourite={favourites.has(one.family)}
          onChoose={() => onChoose(one.family)}
        />
      ))}
    </ul>
  );
}

/** Fonts come in as chosen files, or let go over the page. */
function WaysIn({ bring, isBusy }: ReturnType<typeof useBringFonts>) {
  const t = texts.typeCase;
  return (
    <>
      <Notes />
      <ScreenNav at="/fonts">
        {isBusy && <Loader size="xs" aria-label={t.reading} />}
        <FileButton multiple accept={FONT_FILES} onChange={bring}>
          {(props) => (
            <UnstyledButton {...props} className={navClasses.place}>
              {t.bringIn}
            </UnstyledButton>
          )}
        </FileButton>
      </ScreenNav>
      <DropFiles text={t.drop} onFiles={bring} />
    </>
  );
}

interface DrawerProps {
  family: FontFamilyInfo;
  words: string;
  isChosen: boolean;
  isFavourite: boolean;
  onChoose: () => void;
}

function Drawer({ family, words, isChosen, isFavourite, onChoose }: DrawerProps) {
  return (
    <li>
      <button type="button" className={classes.drawer} aria-pressed={isChosen} onClick={onChoose}>
        <FontSample text={words} hash={heaviest(family).hash} style={{ fontSize: 34, lineHeight: 1.25 }} />
        <span className={classes.figures}>
          <span>
            {isFavourite && (
              <IconStarFilled size={11} className={classes.star} aria-label={texts.typeCase.favourites} />
            )}
            {family.family}
          </span>
          <span>{texts.typeCase.figures(family.styles.length, family.axes.length, kindName(family.kind))}</span>
        </span>
      </button>
    </li>
  );
}
