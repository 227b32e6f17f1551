import type { Choice } from './fields';

/** The members of a closed set as choices, by their words. */
export const choices = <K extends string>(words: Record<K, string>): { value: K; label: string }[] =>
  (Object.keys(words) as K[]).map((value) => ({ value, label: words[value] }));

/** Texts that are their own names. */
export const plainChoices = (texts: readonly string[] | undefined): { value: string; label: string }[] =>
  (texts ?? []).map((value) => ({ value, label: value }));

export const none: Choice = { value: '', label: 'none' };

/** Policies, methods and groups by code, with the name where it says more. */
export const coded = (
  list: readonly { code?: string | null; name?: string | null }[] | undefined,
): { value: string; label: string }[] =>
  (list ?? []).map(({ code, name }) => ({
    value: code ?? '',
    label: !name || code === name ? (code ?? '') : `${code}: ${name}`,
  }));

export { plain } from '../format/typedAmount';
