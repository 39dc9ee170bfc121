/** Fonts a shop can be set in. Figtree and Bricolage Grotesque ship with it; the others are on every device. */
export const FONTS = {
  figtree: { label: 'Figtree', css: "'Figtree Variable', system-ui, sans-serif" },
  bricolage: { label: 'Bricolage Grotesque', css: "'Bricolage Grotesque Variable', system-ui, sans-serif" },
  system: { label: 'The device’s own', css: 'system-ui, sans-serif' },
  serif: { label: 'Serif', css: "Georgia, 'Times New Roman', serif" },
} as const;
export type Font = keyof typeof FONTS;
export const FONT_KEYS = Object.keys(FONTS) as [Font, ...Font[]];
