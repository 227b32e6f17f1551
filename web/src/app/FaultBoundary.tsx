import { Component, type ReactNode } from 'react';
import { Fault } from '../shell/Fault';

/** Shows that a page failed instead of an empty window. React has no other way to catch it than a class. */
export class FaultBoundary extends Component<{ children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError = () => ({ failed: true });

  override render() {
    return this.state.failed ? <Fault /> : this.props.children;
  }
}
