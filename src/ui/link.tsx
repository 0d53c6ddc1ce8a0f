import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link to another page of ours. Nothing is fetched before it is touched: every page here is made when it is asked for, so what
 * could be fetched ahead shows nothing, and a page with thirty links asked thirty times for it.
 */
export function Link(props: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...props} />;
}
