import '@mantine/notifications/styles.css';
import { Notifications } from '@mantine/notifications';

/** Short notes that come and go, below the head of a screen, where they cover neither values nor the view's bar. */
export const Notes = () => <Notifications position="top-center" containerWidth={420} top={62} />;
