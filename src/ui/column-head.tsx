import clsx from 'clsx';
import type { ComponentProps } from 'react';

/** What a column of a table holds. */
export const ColumnHead = ({ className, ...rest }: ComponentProps<'th'>) => (
  <th scope="col" className={clsx('py-1.5 font-[inherit]', className)} {...rest} />
);
