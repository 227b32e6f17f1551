import type { NumberingShape } from '../../api/generated';

/** The number that the next document of a series gets. */
export const nextNumber = (series: NumberingShape | undefined) =>
  series ? `${series.prefix ?? ''}${String(series.next ?? 1).padStart(series.digits ?? 5, '0')}` : '';
