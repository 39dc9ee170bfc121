/** The parts of a buy link. */
export type PartKey = 'picture' | 'name' | 'price' | 'shortText' | 'button';
