import { notifications } from '@mantine/notifications';
import { useState } from 'react';
import { Bench, isModelFile, useActs, useChoice, useDocument, useMeshes, useOpenParts } from '../bench/index.ts';
import { CommandSearch, search } from '../commands/index.ts';
import { FONT_FILES, isFontFile } from '../fonts/index.ts';
import { helpOffers } from '../help/index.ts';
import { SectionCard } from '../section/index.ts';
import { SilhouetteDialog } from '../silhouette/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { DropFiles, Notes, Offers, OffersAt } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Announcer } from './Announcer.tsx';
import { BuildNotice } from './BuildNotice.tsx';
import { Hints } from './Hints.tsx';
import { LeadRecipe } from './LeadRecipe.tsx';
import { Leaving } from './Leaving.tsx';
import { Panels } from './Panels.tsx';
import { SideColumn } from './SideColumn.tsx';
import { TopBar } from './TopBar.tsx';
import { useFontsForWords } from './useFontsForWords.ts';
import { usePlaces } from './usePlaces.ts';
import { useWorkshopCommands } from './useWorkshopCommands.ts';
import { ViewPane } from './ViewPane.tsx';
import classes from './Workbench.module.css';

/** The workshop: recipe left, view in the middle, pieces and checks right. */
export function Workbench({ store, isHeld }: { store: ProjectStore; isHeld: boolean }) {
  const [offers] = useState(() => new Offers());
  return (
    <Bench store={store} isHeld={isHeld}>
      <OffersAt offers={offers}>
        <div className={classes.bench}>
          <Leaving store={store} />
          <Top />
          <LeadRecipe />
          <ViewPane>
            <BuildNotice />
            <Hints />
            <Section />
          </ViewPane>
          <SideColumn />
          <Panels />
          <Notes />
          <Files />
          <Commands offers={offers} />
          <Announcer />
        </div>
      </OffersAt>
    </Bench>
  );
}

function Top() {
  const { store } = useDocument();
  const { setPanel } = useOpenParts();
  return (
    <TopBar
      store={store}
      onSearch={search.open}
      onVersions={() => setPanel('versions')}
      onHandOver={() => setPanel('hand over')}
    />
  );
}

function Commands({ offers }: { offers: Offers }) {
  const commands = useWorkshopCommands();
  const places = usePlaces();
  return <CommandSearch commands={commands} more={() => [...offers.list(), ...places(), ...helpOffers()]} />;
}

/** The card on which a section is drawn. */
function Section() {
  const { store } = useDocument();
  const { showsSection, setShowsSection } = useOpenParts();
  const { chosen, lead, picked } = useChoice();
  const { shelf, shown } = useMeshes();
  if (!showsSection || !lead || lead.locked) return null;
  return (
    <SectionCard
      key={lead.id}
      store={store}
      pieces={chosen.pieces}
      shown={shown}
      shelf={shelf}
      picked={picked}
      onClose={() => setShowsSection(false)}
    />
  );
}

/** Files that may be let go over the workshop. */
const LET_GO = {
  'image/*': ['.svg', '.png', '.jpg', '.jpeg', '.webp', '.gif', '.bmp', '.avif'],
  'application/pdf': ['.pdf'],
  'model/mesh': ['.obj', '.stl', '.ply', '.glb'],
  'font/otf': FONT_FILES.split(','),
};

/** Files let go over the workshop, and the picture whose outline is looked for. */
function Files() {
  const { drawings, models } = useActs();
  const { client } = useMeshes();
  const bringFonts = useFontsForWords();
  return (
    <>
      <DropFiles
        text={texts.drawing.dropHere}
        accept={LET_GO}
        onFiles={(files) => {
          models.takeFiles(files.filter(({ name }) => isModelFile(name)));
          bringFonts(files.filter(({ name }) => isFontFile(name)));
          drawings.takeFiles(files.filter(({ name }) => !isModelFile(name) && !isFontFile(name)));
        }}
        onReject={(files) => tellNotTaken(files.map(({ file }) => file.name))}
      />
      <SilhouetteDialog
        picture={drawings.picture}
        client={client}
        onTake={drawings.takeOutline}
        onClose={drawings.dropPicture}
      />
    </>
  );
}

const tellNotTaken = (names: readonly string[]): void => {
  for (const name of names) notifications.show({ color: 'var(--clay)', message: texts.drawing.notTaken(name) });
};
