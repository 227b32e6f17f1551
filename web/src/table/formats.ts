/** The formats in which records are exported and imported. */
export const formats = ['csv', 'xlsx', 'json'] as const;
export type Format = (typeof formats)[number];

/** The format of a file by its name; CSV where the name does not say. */
export const formatOf = (name: string): Format => formats.find((f) => name.toLowerCase().endsWith(`.${f}`)) ?? 'csv';
