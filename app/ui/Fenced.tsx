import { Component, type ReactNode } from "react";

interface FencedProps {
  readonly children: ReactNode;
  /** what stands there instead of what could not be drawn */
  readonly instead: ReactNode;
}

/** Error boundary around one part of a screen. */
export class Fenced extends Component<FencedProps, { readonly failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render(): ReactNode {
    return this.state.failed ? this.props.instead : this.props.children;
  }
}
