import { Button } from '@mantine/core';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { actionsSoFar, longTasksSoFar, onAction, type Action } from '../store/index.ts';
import { SidePanel } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { asText, type MachineRow } from './asText.ts';
import classes from './Figures.module.css';
import { memoryOfPage, rootsMs } from './machine.ts';
import { workShares } from './workShares.ts';

const T = texts.figures;
/** So many of those before the last one are shown. */
const SHOWN = 14;

interface FiguresProps {
  opened: boolean;
  onClose: () => void;
}

/** How long what was done last took, stage by stage, and what this machine is like. */
export function Figures({ opened, onClose }: FiguresProps) {
  return (
    <SidePanel opened={opened} onClose={onClose} title={T.title}>
      {opened && <AllFigures />}
    </SidePanel>
  );
}

function AllFigures() {
  const actions = useSyncExternalStore(onAction, actionsSoFar);
  const machine = useMachine(actions);
  const [last, ...before] = actions;
  return (
    <div className={classes.figures}>
      <p className={classes.lead}>{T.lead}</p>
      {last ? <Last action={last} /> : <p>{T.none}</p>}
      {before.length > 0 && <Before actions={before.slice(0, SHOWN)} />}
      <section>
        <h3>{T.machine}</h3>
        <dl className={classes.machine}>
          {machine.map(([name, value]) => (
            <div key={name}>
              <dt>{name}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
      </section>
      <CopyIt text={() => asText(actions, machine)} />
    </div>
  );
}

function Last({ action }: { action: Action }) {
  const shares = workShares(action);
  const most = Math.max(...shares.map(({ ms }) => ms));
  return (
    <section>
      <p className={classes.last}>{T.last[action.kind](action.milliseconds, action.faces)}</p>
      <h3>{T.stages}</h3>
      <ul className={classes.rows}>
        {shares.map(({ name, ms, made = 0, found = 0 }) => (
          <Timed
            key={name}
            name={T.stage[name] ?? name}
            note={made + found > 0 ? T.counts(made, found) : undefined}
            ms={ms}
            most={most}
          />
        ))}
      </ul>
    </section>
  );
}

function Before({ actions }: { actions: readonly Action[] }) {
  const most = Math.max(...actions.map(({ milliseconds }) => milliseconds));
  return (
    <section>
      <h3>{T.before}</h3>
      <ul className={classes.rows}>
        {actions.map(({ kind, milliseconds, faces }, i) => (
          <Timed key={i} name={T.kinds[kind]} note={T.faces(faces)} ms={milliseconds} most={most} />
        ))}
      </ul>
    </section>
  );
}

interface TimedProps {
  name: string;
  note: string | undefined;
  ms: number;
  /** of the longest beside it */
  most: number;
}

const Timed = ({ name, note, ms, most }: TimedProps) => (
  <li>
    <span className={classes.name}>
      {name}
      {note && <small>{note}</small>}
    </span>
    <span className={classes.time}>{T.ms(ms)}</span>
    <span className={classes.bar} aria-hidden>
      <span style={{ width: `${Math.max(1, (100 * ms) / most)}%` }} />
    </span>
  </li>
);

function useMachine(actions: readonly Action[]): MachineRow[] {
  const stalls = useSyncExternalStore(onAction, longTasksSoFar);
  const [roots] = useState(rootsMs);
  const work = actions.find((action) => action.work)?.work;
  const page = memoryOfPage();
  return [
    [T.threads, T.threadsOf(work?.threads, navigator.hardwareConcurrency || 1)],
    [T.kept, T.keptOf(work?.heldBytes)],
    ...(page === undefined ? [] : [[T.page, T.pageOf(page)] as const]),
    [T.stalls, T.stallsOf(stalls.length, Math.max(0, ...stalls))],
    [T.sum, T.ms(roots)],
  ];
}

const SAID_MS = 2000;

function CopyIt({ text }: { text: () => string }) {
  const [said, setSaid] = useState<string>();
  useEffect(() => {
    if (said === undefined) return;
    const timer = setTimeout(() => setSaid(undefined), SAID_MS);
    return () => clearTimeout(timer);
  }, [said]);
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(text());
      setSaid(T.copied);
    } catch {
      setSaid(T.copyFailed);
    }
  };
  return (
    <Button variant="default" onClick={() => void copy()}>
      <span role="status">{said ?? T.copy}</span>
    </Button>
  );
}
