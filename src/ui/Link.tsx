import NextLink from "next/link";
import type { ComponentProps } from "react";

/** A link inside the application. What it leads to is fetched when it is followed: every page is made for its day anyway. */
const Link = (props: ComponentProps<typeof NextLink>) => <NextLink prefetch={false} {...props} />;

export default Link;
