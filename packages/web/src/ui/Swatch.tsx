import classes from './values.module.css';

export const Swatch = ({ colour }: { colour: string }) => (
  <span className={classes.swatch} style={{ background: colour }} aria-hidden />
);
