import { Component, createElement, type ReactNode } from 'react';

const PAGE = { font: '18px/1.5 system-ui, sans-serif', maxWidth: '32em', padding: '15vh 24px' } as const;

/** Around everything: where even the page that reports a fault cannot be drawn, plain words and links of the browser's own. */
export class LastResort extends Component<{ children: ReactNode }, { fault: string | null }> {
  override state: { fault: string | null } = { fault: null };

  static getDerivedStateFromError(fault: unknown): { fault: string } {
    return { fault: fault instanceof Error ? fault.message || fault.name : String(fault) };
  }

  override render(): ReactNode {
    const { fault } = this.state;
    if (fault === null) return this.props.children;
    return createElement(
      'main',
      { style: PAGE },
      createElement('h1', null, 'Zoarium broke'),
      createElement('p', null, `What you entered is safe in this browser. The fault was: ${fault}.`),
      createElement('p', null, createElement('a', { href: '/' }, 'Open it again')),
      createElement('p', null, createElement('a', { href: '/files' }, 'Export the data')),
    );
  }
}
