import type { DetailedHTMLProps, HTMLAttributes } from 'react';

declare module 'react' {
  // The namespace is how React's types are extended.
  namespace JSX {
    interface IntrinsicElements {
      math: DetailedHTMLProps<HTMLAttributes<HTMLElement> & { display?: 'block' | 'inline'; displaystyle?: string }, HTMLElement>;
    }
  }
}
