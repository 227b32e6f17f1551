export interface Point {
  x: number;
  y: number;
}

/** A line that keeps each value until the next, as the path of an SVG; x and y already in its units. */
export function stepPath(points: Point[], end: number): string {
  const [first, ...rest] = points;
  if (!first) return '';
  const moves = rest.map((p) => `H${p.x.toFixed(1)}V${p.y.toFixed(1)}`).join('');
  return `M${first.x.toFixed(1)} ${first.y.toFixed(1)}${moves}H${end.toFixed(1)}`;
}

/** A round figure at or above the largest value, for the top of a scale. */
export function ceiling(largest: number): number {
  if (!(largest > 0)) return 1;
  const unit = 10 ** Math.floor(Math.log10(largest));
  return [1, 2, 2.5, 5, 10].map((n) => n * unit).find((n) => n >= largest) ?? largest;
}
