import '@mantine/dropzone/styles.css';
import { Dropzone, type DropzoneProps } from '@mantine/dropzone';
import classes from './DropFiles.module.css';

interface DropFilesProps extends Pick<DropzoneProps, 'accept' | 'onReject'> {
  /** shown while files are held over the page */
  text: string;
  onFiles: (files: File[]) => void;
}

/** Takes files that are let go anywhere over the page. */
export const DropFiles = ({ text, onFiles, ...rest }: DropFilesProps) => (
  <Dropzone.FullScreen {...rest} onDrop={onFiles}>
    <p className={classes.text}>{text}</p>
  </Dropzone.FullScreen>
);
