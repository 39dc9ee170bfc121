/** The parts of a buy link. */
export type PartKey = 'picture' | 'name' | 'price' | 'shortText' | 'variants' | 'button' | 'share';

/** A variant that can be chosen where the link stands. */
export interface LinkVariant {
  readonly sku: string;
  /** What tells it from the others, and what so many of it cost. */
  readonly label: string;
  readonly totalMinor: number;
  readonly isGone: boolean;
}
