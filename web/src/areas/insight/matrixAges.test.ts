import { expect, test } from 'vitest';
import { agesOf, namesOf } from './matrixAges';

test('ages are read however they are parted, and what is none is left out', () => {
  expect(agesOf('30, 60;90')).toEqual([30, 60, 90]);
  expect(agesOf(' 30 x 60 ')).toEqual([30, 60]);
  expect(agesOf('')).toEqual([]);
});

test('each rate is named by its age', () => {
  expect(namesOf([30, 60])).toEqual(['Not due', '1–30', '31–60', 'Over 60']);
  expect(namesOf([])).toEqual(['Not due', 'Overdue']);
});
