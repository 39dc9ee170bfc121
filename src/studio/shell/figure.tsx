import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  /** What it is, e.g. “Orders”. */
  readonly name: string;
  /** How it is computed, with the numbers it was computed from. */
  readonly formula: ReactNode;
  readonly children: ReactNode;
}

/** A figure that opens to how it came about. */
export function Figure({ name, formula, children }: Props) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className="plain cursor-help underline decoration-dotted underline-offset-4"
        title={`How “${name}” is computed`}
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={`How “${name}” is computed`}
          sideOffset={6}
          collisionPadding={12}
          className="z-40 max-w-[380px] rounded-stone border border-basalt bg-white px-4 py-3 text-[13px]"
        >
          <strong className="mb-1 block font-head">{name}</strong>
          {formula}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
