import { WORDS } from '@fictile/core';
import { ActionIcon, Alert, Button, Tooltip, UnstyledButton } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import type { FontFamilyInfo } from '@fictile/contract';
import { IconStar, IconStarFilled } from '@tabler/icons-react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/index.ts';
import { FontSample, type useFavourites, heaviest } from '../fonts/index.ts';
import { makeProject } from '../store/index.ts';
import { shownAs, NumberValue, Sentence } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { scriptsOf } from './scriptsOf.ts';
import classes from './TypeCase.module.css';
import { useFontFacts } from './useFontFacts.ts';

interface FamilyFactsProps {
  family: FontFamilyInfo;
  words: string;
  favourites: ReturnType<typeof useFavourites>;
}

/** What is known of the family at hand, what it means for solids, and a project made in it. */
export function FamilyFacts({ family, words, favourites }: FamilyFactsProps) {
  const navigate = useNavigate();
  const t = texts.typeCase;
  const make = useMutation({
    mutationFn: () => {
      const { weight, italic } = heaviest(family);
      return makeProject(words, { family: family.family, weight, italic, axes: {} });
    },
    onSuccess: (id) => navigate(`/projects/${id}`),
  });
  const axes: Readonly<Record<string, string>> = texts.axes;
  return (
    <aside className={classes.facts} aria-label={family.family}>
      <FontSample
        text={[...words].slice(0, 2).join('')}
        hash={heaviest(family).hash}
        style={{ fontSize: 76, lineHeight: 1.1, color: 'var(--clay)' }}
      />
      <div className={classes.name}>
        <h2>{family.family}</h2>
        <Favourite family={family.family} favourites={favourites} />
      </div>
      <p>{t.scripts(scriptsOf(family))}</p>
      <Measured family={family} words={words} />
      {family.axes.length > 0 && <p>{t.axes(family.axes.map(({ tag }) => axes[tag] ?? tag))}</p>}
      {family.instances && family.instances.length > 0 && <p>{t.instances(family.instances.map((one) => one.name))}</p>}
      <ul>
        {family.styles.map((style) => (
          <li key={style.hash}>
            <FontSample text={style.name} hash={style.hash} style={{ fontSize: 18 }} />
          </li>
        ))}
      </ul>
      <p>{family.kind === 'own' ? t.ownLicence : t.licence}</p>
      <Button radius="xl" loading={make.isPending} onClick={() => make.mutate()}>
        {t.use}
      </Button>
      {make.isError && <Alert color="red">{texts.rack.makeFailed}</Alert>}
      {family.kind === 'own' && <TakeOut family={family.family} />}
    </aside>
  );
}

function Favourite({ family, favourites }: { family: string; favourites: FamilyFactsProps['favourites'] }) {
  const isKept = favourites.has(family);
  return (
    <Tooltip label={texts.typeCase.favourite}>
      <ActionIcon
        variant="transparent"
        c="var(--clay)"
        size="sm"
        aria-label={texts.typeCase.favourite}
        aria-pressed={isKept}
        onClick={() => favourites.toggle(family)}
      >
        {isKept ? <IconStarFilled size={16} /> : <IconStar size={16} />}
      </ActionIcon>
    </Tooltip>
  );
}

const USUAL_SIZE = 72;
const shortMm = (mm: number): string => String(Number(mm.toPrecision(2)));

/** Thinnest strokes and widest edge at a size, and how complex the drawing is. */
function Measured({ family, words }: Pick<FamilyFactsProps, 'family' | 'words'>) {
  const [sizeMm, setSizeMm] = useState(USUAL_SIZE);
  const { weight, italic } = heaviest(family);
  const facts = useFontFacts({ family: family.family, weight, italic, axes: {} }, words, sizeMm);
  const t = texts.typeCase;
  if (facts === null) return null;
  const { stemMm } = facts ?? {};
  const told = stemMm === undefined ? t.noStems : t.stems(shortMm(stemMm), shortMm(stemMm / 2));
  const size = (
    <NumberValue {...shownAs(WORDS.sizeMm)} label={t.size} value={sizeMm} usual={USUAL_SIZE} onChange={setSizeMm} />
  );
  return (
    <p aria-live="polite">
      <Sentence template={t.atSize} values={{ size, facts: facts ? told : t.measuring }} />{' '}
      {facts && t.points(Math.round(facts.points))}
    </p>
  );
}

function TakeOut({ family }: { family: string }) {
  const queries = useQueryClient();
  const t = texts.typeCase;
  const work = useMutation({
    mutationFn: () => api.removeFont(family),
    onSuccess: async () => {
      notifications.show({ message: t.takenOut(family), autoClose: 10_000 });
      await queries.invalidateQueries({ queryKey: ['fonts'] });
    },
    onError: () => notifications.show({ color: 'var(--clay)', message: t.failed }),
  });
  return (
    <UnstyledButton className={classes.takeOut} onClick={() => work.mutate()}>
      {t.takeOut}
    </UnstyledButton>
  );
}
