import { expect, it } from 'vitest';
import { fileSize } from './fileSize';

it.each([
  [0, '0 bytes'],
  [1023, '1023 bytes'],
  [1024, '1 KB'],
  [1_048_575, '1024 KB'],
  [1_048_576, '1.0 MB'],
  [5_242_880, '5.0 MB'],
])('%i bytes read %s', (bytes, text) => expect(fileSize(bytes)).toBe(text));
