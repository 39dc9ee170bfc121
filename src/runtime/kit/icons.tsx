/** @jsxImportSource preact */
import type { VNode } from 'preact';

/** Paths of Lucide's icons (ISC licence), 24 × 24, the eye with fewer digits. Its Preact package weighs more than all the pieces' own drawing code together. */
const ICONS = {
  close: 'M18 6 6 18M6 6l12 12',
  back: 'm15 18-6-6 6-6',
  forth: 'm9 18 6-6-6-6',
  eye: 'M2 12a10.75 10.75 0 0 1 20 0 10.75 10.75 0 0 1-20 0M9 12a3 3 0 1 0 6 0 3 3 0 1 0-6 0',
  minus: 'M5 12h14',
  plus: 'M5 12h14M12 5v14',
};

/** An icon by its path. Decoration only, so hidden from screen readers. */
export function Drawing({ path, size = 20 }: { path: string; size?: number }): VNode {
  return (
    <svg
      viewBox="0 0 24 24"
      width={size}
      height={size}
      fill="none"
      stroke="currentColor"
      stroke-width="1.75"
      stroke-linecap="round"
      stroke-linejoin="round"
      aria-hidden="true"
    >
      <path d={path} />
    </svg>
  );
}

export function Icon({ name, size }: { name: keyof typeof ICONS; size?: number }): VNode {
  return <Drawing path={ICONS[name]} size={size} />;
}
