import type { PutWay } from '@fictile/core';
import { Picture } from '../../fields/index.ts';
import type { ReactNode } from 'react';

/** A cut through the surface, by what is done to it there. */
export const WAY_PICTURES: Readonly<Record<PutWay, ReactNode>> = {
  lie: <Picture lines="M1 12H19" meant="M5 12V6H15V12" />,
  engrave: <Picture lines="M1 6H5M15 6H19" meant="M5 6V13H15V6" />,
  raise: <Picture lines="M1 12H5M15 12H19" meant="M5 12V5H15V12" />,
  through: <Picture lines="M1 5H6M14 5H19" meant="M6 5V15M14 5V15" />,
  imprint: <Picture lines="M1 9H19" meant="M5 7V11M15 7V11M5 9H15" />,
  join: <Picture lines="M1 12H5M15 12H19M1 16H19" meant="M5 12V5H15V12" />,
  subtract: <Picture lines="M1 6H5M15 6H19M1 16H19" meant="M5 6V11H15V6" />,
  intersect: <Picture lines="M2 4H11V13H2Z" meant="M7 8H11V13H7ZM7 8V17H17V8Z" />,
};
