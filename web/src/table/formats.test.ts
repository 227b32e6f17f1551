import { expect, it } from 'vitest';
import { formatOf } from './formats';

it.each([
  ['customers.csv', 'csv'],
  ['Customers.XLSX', 'xlsx'],
  ['terms.2026.json', 'json'],
  ['customers', 'csv'],
  ['json', 'csv'],
])('%s is read as %s', (name, format) => expect(formatOf(name)).toBe(format));
