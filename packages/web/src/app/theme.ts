import { createTheme, Drawer, type MantineColorsTuple } from '@mantine/core';

const cobalt: MantineColorsTuple = [
  '#eef2fb',
  '#dbe3f4',
  '#b6c6e8',
  '#8ea6dc',
  '#6c8bd1',
  '#4d71c3',
  '#2f57b0',
  '#22489c',
  '#1b3b82',
  '#132d67',
];

export const theme = createTheme({
  primaryColor: 'cobalt',
  primaryShade: 7,
  colors: { cobalt },
  fontFamily: 'var(--sans)',
  headings: { fontFamily: 'var(--serif)', fontWeight: '600' },
  defaultRadius: 'md',
  respectReducedMotion: true,
  black: '#23262d',
  // what slides in is not yet where it is pressed
  components: { Drawer: Drawer.extend({ defaultProps: { transitionProps: { duration: 0 } } }) },
});
