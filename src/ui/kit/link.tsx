"use client";
import NextLink from "next/link";
import type { ComponentProps, ReactNode } from "react";
import { canGo } from "./device";
import { wantsHouse } from "./wants-house";

/**
 * The way to another page of the house. A page is fetched when its link is taken and not before: what is fetched ahead of a page that shows the
 * journal as it is now is nothing but its frame, and a shelf full of links asked the server for twenty of those at each opening. Where the page
 * cannot be shown just now, the one that is open is not left for the browser's own words about it.
 */
export default function Link({ onClick, ...props }: ComponentProps<typeof NextLink>): ReactNode {
  return (
    <NextLink
      prefetch={false}
      {...props}
      onClick={(e) => {
        onClick?.(e);
        if (e.defaultPrevented || canGo()) return;
        e.preventDefault();
        wantsHouse(String(props.href));
      }}
    />
  );
}
