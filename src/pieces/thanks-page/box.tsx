/** @jsxImportSource preact */
import type { ComponentChildren, JSX, VNode } from 'preact';

interface BoxProps extends JSX.HTMLAttributes<HTMLElement> {
  readonly part: string;
  /** Whose looks it has. */
  readonly slot?: string;
  readonly children: ComponentChildren;
}

/** A block of the page. */
export const Box = ({ part, children, slot = 'box', ...more }: BoxProps): VNode => (
  <section class="box" data-part={part} data-slot={slot} {...more}>
    {children}
  </section>
);

interface PressProps {
  readonly action: string;
  readonly intent: string;
  readonly children: ComponentChildren;
}

/** A form that does one thing. */
export const Press = ({ action, intent, children }: PressProps): VNode => (
  <form method="post" action={action}>
    <input type="hidden" name="intent" value={intent} />
    {children}
  </form>
);
