import { expect, test } from 'vitest';
import { ceiling, stepPath } from './steps';

test('each value holds until the next', () => {
  expect(
    stepPath(
      [
        { x: 0, y: 10 },
        { x: 5, y: 8 },
      ],
      9,
    ),
  ).toBe('M0.0 10.0H5.0V8.0H9.0');
  expect(stepPath([], 9)).toBe('');
});

test.each([
  [0, 1],
  [0.8, 1],
  [1, 1],
  [2.2, 2.5],
  [99.68, 100],
  [101, 200],
  [3000, 5000],
])('the scale for %d ends at %d', (largest, top) => {
  expect(ceiling(largest)).toBeCloseTo(top);
});
