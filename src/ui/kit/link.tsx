import NextLink from "next/link";
import type { ComponentProps, ReactNode } from "react";

/**
 * The way to another page of the house. A page is fetched when its link is taken and not before: what is fetched ahead of a page that shows the
 * journal as it is now is nothing but its frame, and a shelf full of links asked the server for twenty of those at each opening.
 */
export default function Link(props: ComponentProps<typeof NextLink>): ReactNode {
  return <NextLink prefetch={false} {...props} />;
}
