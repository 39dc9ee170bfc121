/** What a new owner does first, in order. */
export const FIRST_STEPS = ['shop', 'catalogue', 'pieces', 'publish'] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];
export type StepState = 'open' | 'done' | 'skipped';

/** What there is to see of the steps, and what the owner said of them. */
export interface StepFacts {
  readonly isNamed: boolean;
  readonly products: number;
  readonly isPublished: boolean;
  readonly said: Readonly<Partial<Record<FirstStep, 'done' | 'skipped'>>>;
}

export interface StepsView {
  readonly steps: readonly { readonly key: FirstStep; readonly state: StepState }[];
  /** The first that is still open. */
  readonly current: FirstStep;
}

/** How far the first steps are; null once the shop is open, for then there are none. */
export function firstSteps({ isNamed, products, isPublished, said }: StepFacts): StepsView | null {
  if (isPublished) return null;
  const seen: Readonly<Record<FirstStep, boolean>> = {
    shop: isNamed,
    catalogue: products > 0,
    pieces: false,
    publish: false,
  };
  const steps = FIRST_STEPS.map((key) => ({
    key,
    // The last one is over when the shop is open, and not before.
    state: key === 'publish' ? ('open' as const) : seen[key] ? ('done' as const) : (said[key] ?? ('open' as const)),
  }));
  return { steps, current: steps.find((step) => step.state === 'open')!.key };
}
