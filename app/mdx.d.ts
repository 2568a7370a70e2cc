/** Pages of the handbook are compiled by the build. */
declare module "*.mdx" {
  import type { JSX } from "react";

  export const meta: () => { title: string }[];
  export default function Page(): JSX.Element;
}
