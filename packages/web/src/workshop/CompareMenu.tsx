import { Menu, UnstyledButton } from '@mantine/core';
import type { Piece } from '@fictile/core';
import { IconCheck } from '@tabler/icons-react';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import { comparedProject, stateLabel, STATES, type Comparing } from '../views/index.ts';
import classes from './Workbench.module.css';

interface CompareMenuProps {
  store: ProjectStore;
  /** the piece at work */
  chosen: Piece | undefined;
  comparing: Comparing | undefined;
  onCompare: (comparing: Comparing | undefined) => void;
}

/** Which other state to look at, beside or laid over. */
export function CompareMenu({ store, chosen, comparing, onCompare }: CompareMenuProps) {
  const t = texts.compare;
  const how = comparing?.how ?? 'beside';
  return (
    <Menu position="top" withinPortal>
      <Menu.Target>
        <UnstyledButton className={classes.barButton} aria-pressed={comparing !== undefined}>
          {t.button}
        </UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown>
        {STATES.map((state) => {
          const project = comparedProject(state, store, chosen);
          return (
            <Menu.Item
              key={state}
              disabled={!project}
              onClick={() => project && onCompare({ label: stateLabel(state), project, how })}
            >
              {t[state]}
            </Menu.Item>
          );
        })}
        {comparing && (
          <>
            <Menu.Divider />
            {(['beside', 'over'] as const).map((way) => (
              <Menu.Item
                key={way}
                rightSection={way === how ? <IconCheck size={14} aria-hidden /> : undefined}
                onClick={() => onCompare({ ...comparing, how: way })}
              >
                {t[way]}
              </Menu.Item>
            ))}
            <Menu.Item onClick={() => onCompare(undefined)}>{t.end}</Menu.Item>
          </>
        )}
      </Menu.Dropdown>
    </Menu>
  );
}
