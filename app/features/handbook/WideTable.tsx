import type { ComponentProps } from "react";

/** A table that is wider than a phone is pushed sideways by itself. */
export const WideTable = (props: ComponentProps<"table">) => (
  <div className="scroll-x">
    <table {...props} />
  </div>
);
