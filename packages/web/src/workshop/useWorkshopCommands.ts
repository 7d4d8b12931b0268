import { useMantineColorScheme } from '@mantine/core';
import { useNavigate } from 'react-router';
import { canFit, useActs, useChoice, useDocument, useOpenParts, useTrials } from '../bench/index.ts';
import { useKeys, useSingleKeys, type Command } from '../commands/index.ts';
import type { ChapterName } from '../recipe/index.ts';
import { workshopCommands } from './workshopCommands.ts';

/** Everything that can be done here now; their keys are listened to. */
export function useWorkshopCommands(): Command[] {
  const { store } = useDocument();
  const { chosen, typing } = useChoice();
  const { actions, drawings, models, fit } = useActs();
  const { acts } = useTrials();
  const { view, setView, setAtWork, setShowsSection, setPanel } = useOpenParts();
  const [navigate, singleKeys] = [useNavigate(), useSingleKeys()];
  const { toggleColorScheme } = useMantineColorScheme();
  const commands = workshopCommands({
    ...{ store, actions, chosen, view, setView, singleKeys },
    fit: canFit(chosen.pieces[0]) ? fit : undefined,
    goTo: (chapter) => {
      setAtWork(chapter);
      focusChapter(chapter);
    },
    openSection: () => {
      setAtWork('solid');
      setShowsSection(true);
    },
    openHandOver: () => setPanel('hand over'),
    openVersions: () => setPanel('versions'),
    openFigures: () => setPanel('figures'),
    rest: () => {
      setAtWork(undefined);
      typing.drop();
    },
    type: typing.start,
    toggleLight: toggleColorScheme,
    putOn: acts.start,
    toRack: () => void navigate('/'),
    toTypeCase: () => void navigate('/fonts'),
    bringIn: drawings.choose,
    bringModel: models.choose,
  });
  useKeys(commands, singleKeys.areOn);
  return commands;
}

const focusChapter = (chapter: ChapterName): void =>
  document.querySelector<HTMLElement>(`[data-chapter="${chapter}"] :is(textarea, [class*="value"])`)?.focus();
