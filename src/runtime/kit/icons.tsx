/** @jsxImportSource preact */
import { ChevronLeft, ChevronRight, Eye, Minus, Plus, X } from 'lucide-preact';
import type { VNode } from 'preact';

const ICONS = { close: X, back: ChevronLeft, forth: ChevronRight, eye: Eye, minus: Minus, plus: Plus };

/** Decoration only, so hidden from screen readers. */
export function Icon({ name, size = 20 }: { name: keyof typeof ICONS; size?: number }): VNode {
  const Drawing = ICONS[name];
  return <Drawing size={size} strokeWidth={1.75} aria-hidden="true" />;
}
