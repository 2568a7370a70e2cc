import { Component, type ReactNode } from "react";

interface FencedProps {
  readonly children: ReactNode;
  /** what stands there instead of what could not be drawn */
  readonly instead: ReactNode;
}

/** One part that cannot be drawn is no trouble of the parts beside it. */
export class Fenced extends Component<FencedProps, { readonly failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render(): ReactNode {
    return this.state.failed ? this.props.instead : this.props.children;
  }
}
