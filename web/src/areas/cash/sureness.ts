export type Sureness = 'certain' | 'likely' | 'unsure' | 'unknown';

/** How sure a proposal is, in words. */
export const sure: Record<Sureness, string> = {
  certain: 'Certain',
  likely: 'Likely',
  unsure: 'Not sure',
  unknown: 'Not known',
};

/** Certain is what has one answer that ties with nothing written off. */
export const sureness = (confidence: number): Exclude<Sureness, 'unknown'> =>
  confidence >= 1 ? 'certain' : confidence >= 0.5 ? 'likely' : 'unsure';
