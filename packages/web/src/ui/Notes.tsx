import '@mantine/notifications/styles.css';
import { Notifications } from '@mantine/notifications';
import classes from './Notes.module.css';

/** Short notes that come and go, below the head of a screen, where they cover neither values nor the view's bar. */
export const Notes = () => (
  <Notifications position="top-center" containerWidth={420} classNames={{ root: classes.root }} />
);
