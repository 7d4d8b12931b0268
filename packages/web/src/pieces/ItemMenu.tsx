import { ActionIcon, Menu } from '@mantine/core';
import {
  closesCircle,
  groupsAround,
  isGroup,
  isLettering,
  isLocked,
  isShown,
  itemOf,
  liesOnAnother,
  treeRows,
  type Item,
  type Project,
} from '@fictile/core';
import { IconDots } from '@tabler/icons-react';
import { useState, type RefObject } from 'react';
import { afterMenu } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import type { TreeTools } from './treeTools.ts';

/** Others that places can be taken from; more would be no menu any more. */
const MOST_OTHERS = 40;

interface MenuProps {
  item: Item;
  latest: RefObject<TreeTools>;
  onRename: () => void;
}

/** Its items are made when it opens. */
export function ItemMenu(props: MenuProps & { isReached: boolean }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <Menu position="bottom-end" withinPortal opened={isOpen} onChange={setIsOpen}>
      <Menu.Target>
        <ActionIcon
          variant="subtle"
          color="dark"
          size="sm"
          tabIndex={props.isReached ? 0 : -1}
          aria-label={texts.pieces.menu(props.item.name)}
        >
          <IconDots size={15} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>{isOpen && <MenuItems {...props} />}</Menu.Dropdown>
    </Menu>
  );
}

function MenuItems({ item, latest, onRename }: MenuProps) {
  const { project, chosen, actions, onPlain, onCopies } = latest.current;
  const t = texts.pieces;
  const isChosen = chosen.items.some(({ id }) => id === item.id);
  // the menu of what is chosen is for all that is chosen
  const several = isChosen ? chosen.items : [item];
  const isFree = several.some((one) => !isLocked(project, one));
  const alone = several.length === 1 ? item : undefined;
  return (
    <>
      {!alone && <Menu.Label>{t.several(several.length)}</Menu.Label>}
      <Menu.Item onClick={() => afterMenu(onRename)}>{t.rename}</Menu.Item>
      <Menu.Item onClick={() => chosen.chooseThese(actions.duplicate(several))}>{t.duplicate}</Menu.Item>
      <Menu.Item onClick={() => chosen.chooseThese(actions.copyBeside(several))}>{texts.copies.again}</Menu.Item>
      <Menu.Item onClick={() => afterMenu(() => onCopies(several))}>{texts.copies.menu} …</Menu.Item>
      {alone && !isGroup(alone) && <Menu.Item onClick={() => onPlain(alone)}>{t.plain}</Menu.Item>}
      <Menu.Item onClick={() => actions.show(several, !item.visible)}>{item.visible ? t.hide : t.show}</Menu.Item>
      <Menu.Item onClick={() => actions.showAlone(several)}>{t.alone}</Menu.Item>
      <Menu.Item onClick={() => actions.showAll()}>{t.all}</Menu.Item>
      <Menu.Item onClick={() => actions.lock(several, !item.locked)}>{item.locked ? t.unlock : t.lock}</Menu.Item>
      {project.pieceOrder.length > 1 && (
        <Menu.Item onClick={() => chosen.choose(item.id, true)}>{isChosen ? t.notThis : t.alsoThis}</Menu.Item>
      )}
      <Menu.Divider />
      <Together {...{ several, alone, isFree }} tools={latest.current} />
      {alone && isFree && <PutItems item={alone} onPut={latest.current.onPut} />}
      <Menu.Divider />
      <Placing {...{ several, isFree }} tools={latest.current} />
      <Menu.Divider />
      <Menu.Item color="var(--clay)" disabled={!isFree} onClick={() => actions.remove(several)}>
        {t.remove}
      </Menu.Item>
    </>
  );
}

interface OfItems {
  several: readonly Item[];
  isFree: boolean;
  tools: TreeTools;
}

/** Groups, and what things hang on. */
function Together({ several, alone, isFree, tools }: OfItems & { alone: Item | undefined }) {
  const { project, chosen, actions } = tools;
  const t = texts.pieces;
  const group = (): void => {
    const id = actions.group(several, t.newGroup);
    if (id !== undefined) chosen.choose(id);
  };
  return (
    <>
      <Menu.Item disabled={!isFree} onClick={group}>
        {t.group}
      </Menu.Item>
      {alone && isGroup(alone) && (
        <Menu.Item disabled={!isFree} onClick={() => actions.dissolve(alone.id)}>
          {t.dissolve}
        </Menu.Item>
      )}
      {several.some(({ within }) => within !== '') && (
        <Menu.Item disabled={!isFree} onClick={() => actions.move(several, outside(project, several[0]))}>
          {t.outOfGroup}
        </Menu.Item>
      )}
      <Others
        label={t.intoGroup}
        others={Object.values(project.groups).filter((one) => mayBeIn(project, several, one.id))}
        onTake={({ id }) => actions.move(several, id)}
      />
      <Others
        label={t.hangOn}
        others={several.some((item) => liesOnAnother(project, item)) ? [] : hooks(project, several)}
        onTake={({ id }) => actions.hang(several, { on: id, letter: 0 })}
      />
      {several.some(({ hung }) => hung) && (
        <Menu.Item disabled={!isFree} onClick={() => actions.takeOff(several)}>
          {t.takeOff}
        </Menu.Item>
      )}
    </>
  );
}

/** The group around that in which something is. */
const outside = (project: Project, item: Item): string => groupsAround(project, item).at(1)?.id ?? '';

const mayBeIn = (project: Project, items: readonly Item[], groupId: string): boolean =>
  items.every((item) => item.within !== groupId && item.id !== groupId && !closesCircle(project, item.id, groupId));

/** What some items may hang on. */
export function hooks(project: Project, items: readonly Item[]): Item[] {
  return treeRows(project)
    .flatMap(({ id }) => itemOf(project, id) ?? [])
    .filter((other) => items.every((item) => !closesCircle(project, item.id, other.id)))
    .filter((other) => isShown(project, other));
}

function PutItems({ item, onPut }: { item: Item; onPut: TreeTools['onPut'] }) {
  if (isGroup(item)) return null;
  return (
    <>
      <Menu.Divider />
      <Menu.Item onClick={() => afterMenu(() => onPut({ pieceId: item.id }))}>{texts.put.act.on}</Menu.Item>
      {!isLettering(item) && (
        <Menu.Item onClick={() => afterMenu(() => onPut({ bodyId: item.id }))}>{texts.put.act.words}</Menu.Item>
      )}
    </>
  );
}

function Placing({ several, isFree, tools: { project, actions } }: OfItems) {
  const t = texts.pieces;
  const inside = new Set(several.map(({ id }) => id));
  const others = project.pieceOrder
    .map((id) => project.pieces[id])
    .filter((one) => ![one, ...groupsAround(project, one)].some(({ id }) => inside.has(id)) && isShown(project, one));
  return (
    <>
      <Menu.Item disabled={!isFree} onClick={() => actions.toZero(several)}>
        {t.toZero}
      </Menu.Item>
      <Menu.Item disabled={!isFree} onClick={() => actions.ontoTable(several)}>
        {t.onTable}
      </Menu.Item>
      <Others label={t.centreOn} others={others} onTake={(other) => actions.centreOn(several, other)} />
      <Others label={t.beside} others={others} onTake={(other) => actions.beside(several, other)} />
    </>
  );
}

interface OthersProps<I extends Item> {
  label: string;
  others: readonly I[];
  onTake: (other: I) => void;
}

function Others<I extends Item>({ label, others, onTake }: OthersProps<I>) {
  if (others.length === 0) return null;
  return (
    <Menu.Sub>
      <Menu.Sub.Target>
        <Menu.Sub.Item>{label}</Menu.Sub.Item>
      </Menu.Sub.Target>
      <Menu.Sub.Dropdown mah={320} style={{ overflowY: 'auto' }}>
        {others.slice(0, MOST_OTHERS).map((other) => (
          <Menu.Item key={other.id} onClick={() => onTake(other)}>
            {other.name || texts.pieces.newWords}
          </Menu.Item>
        ))}
      </Menu.Sub.Dropdown>
    </Menu.Sub>
  );
}
