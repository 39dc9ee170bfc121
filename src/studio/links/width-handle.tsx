import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { NumberSetting } from '~/core/lane';
import { definitionWithRole } from '~/pieces/definitions';

const { min, max, step } = definitionWithRole('link').settings['width'] as NumberSetting;
/** What the sample's page leaves free at its sides, in pixels. */
export const SAMPLE_MARGIN = 16;

interface Props {
  /** In pixels. */
  readonly width: number;
  /** On which side of the sample the moving edge is, and so which way is wider. */
  readonly edge: 'left' | 'center' | 'right';
  readonly onDrag: (width: number) => void;
  readonly onDrop: (width: number) => void;
}

const WHERE = {
  right: (width: string) => `calc(${SAMPLE_MARGIN}px + ${width})`,
  center: (width: string) => `calc(50% + ${width} / 2)`,
  left: (width: string) => `calc(100% - ${SAMPLE_MARGIN}px - ${width})`,
};
/** How much wider it gets for a pixel to the right. */
const PER_PIXEL = { right: 1, center: 2, left: -1 };

/** The edge of a sample, which is dragged; arrow keys do the same. */
export function WidthHandle({ width, edge, onDrag, onDrop }: Props) {
  const from = useRef<{ x: number; width: number } | null>(null);
  const fit = (wanted: number) => Math.min(max, Math.max(min, Math.round(wanted / step) * step));
  const at = (event: PointerEvent) => fit(from.current!.width + (event.clientX - from.current!.x) * PER_PIXEL[edge]);
  function press(event: KeyboardEvent): void {
    const way = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (way === undefined) return;
    event.preventDefault();
    const wider = event.key === 'ArrowUp' || event.key === 'ArrowDown' ? way : way * Math.sign(PER_PIXEL[edge]);
    onDrop(fit(width + wider * step));
  }
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Width"
      aria-orientation="horizontal"
      aria-valuenow={width}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={`${width} pixels`}
      className="absolute inset-y-4 w-6 -translate-x-1/2 cursor-ew-resize touch-none before:absolute before:inset-y-0 before:left-1/2 before:w-[3px] before:-translate-x-1/2 before:rounded-full before:bg-paint"
      style={{ left: WHERE[edge](`min(${width}px, 100% - ${2 * SAMPLE_MARGIN}px)`) }}
      onKeyDown={press}
      onPointerDown={(event) => {
        from.current = { x: event.clientX, width };
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => from.current && onDrag(at(event))}
      onPointerUp={(event) => {
        if (from.current) onDrop(at(event));
        from.current = null;
      }}
      onPointerCancel={() => {
        if (from.current) onDrop(from.current.width);
        from.current = null;
      }}
    />
  );
}
