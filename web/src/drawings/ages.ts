/** The ageing ramp: one colour a bucket, the darkest for the oldest. */
export const ageColour = (bucket: number) => `var(--age-${Math.min(bucket, 7)})`;

export function bucketName(name: string): string {
  if (name === 'notDue') return 'Not due';
  if (name.startsWith('over')) return `Over ${name.slice(4)}`;
  return name.replace('-', '–');
}
