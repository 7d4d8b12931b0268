import { Link } from 'react-router';
import classes from './Mark.module.css';

/** The product's mark; leads to the rack. */
export const Mark = ({ label }: { label: string }) => (
  <Link to="/" className={classes.mark} aria-label={label}>
    f
  </Link>
);
