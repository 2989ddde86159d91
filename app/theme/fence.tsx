import { Component, type ReactNode } from 'react';

/** Keeps the failure of what is drawn inside to itself: `instead` stands there then, and everything around goes on. */
export class Fence extends Component<
  { readonly children: ReactNode; readonly instead: ReactNode },
  { readonly failed: boolean }
> {
  override state = { failed: false };

  static getDerivedStateFromError() {
    return { failed: true };
  }

  override render(): ReactNode {
    return this.state.failed ? this.props.instead : this.props.children;
  }
}
