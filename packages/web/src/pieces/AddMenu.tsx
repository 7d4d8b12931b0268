import { ActionIcon, Menu } from '@mantine/core';
import type { FormName } from '@fictile/core';
import { IconPlus } from '@tabler/icons-react';
import { texts } from '../words/index.ts';
import type { PieceActions, ShapeKind } from './pieceActions.ts';

const SHAPES = Object.entries(texts.drawing.shapes) as [ShapeKind, string][];
const FORMS = Object.entries(texts.form.names) as [FormName, string][];

interface AddMenuProps {
  actions: PieceActions;
  choose: (id: string) => void;
  /** a drawing is to be brought in */
  onFile: () => void;
  /** a model is to be brought in */
  onModel: () => void;
}

/** What a new piece is made of. */
export function AddMenu({ actions, choose, onFile, onModel }: AddMenuProps) {
  const t = texts.pieces;
  return (
    <Menu position="bottom-end" withinPortal>
      <Menu.Target>
        <ActionIcon variant="subtle" color="dark" size="sm" aria-label={t.add}>
          <IconPlus size={15} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown mah={520} style={{ overflowY: 'auto' }}>
        <Menu.Item onClick={() => choose(actions.add())}>{t.addWords}</Menu.Item>
        <Menu.Item onClick={onFile}>{texts.drawing.file}</Menu.Item>
        <Menu.Divider />
        {SHAPES.map(([kind, label]) => (
          <Menu.Item key={kind} onClick={() => choose(actions.addShape(kind))}>
            {label}
          </Menu.Item>
        ))}
        <Menu.Divider />
        <Menu.Label>{texts.form.group}</Menu.Label>
        {FORMS.map(([name, label]) => (
          <Menu.Item key={name} onClick={() => choose(actions.addForm(name))}>
            {label}
          </Menu.Item>
        ))}
        <Menu.Item onClick={onModel}>{texts.form.file}</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
