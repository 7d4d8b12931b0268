import { Drawer } from '@mantine/core';
import type { ReactNode } from 'react';
import { texts } from '../words/index.ts';

interface SidePanelProps {
  title: string;
  opened: boolean;
  onClose: () => void;
  children: ReactNode;
}

/** A panel over the right of the workshop; the view stays to be seen beside it. */
export function SidePanel({ title, opened, onClose, children }: SidePanelProps) {
  return (
    <Drawer
      opened={opened}
      onClose={onClose}
      position="right"
      size={390}
      title={title}
      padding="lg"
      overlayProps={{ backgroundOpacity: 0.12 }}
      closeButtonProps={{ 'aria-label': texts.close }}
    >
      {children}
    </Drawer>
  );
}
