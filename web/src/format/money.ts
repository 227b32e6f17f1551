/** Amounts arrive as exact decimal strings. They are grouped for reading here and never calculated with. */
export function money(amount: string | null | undefined): string {
  if (amount === null || amount === undefined || amount === '') return '';
  const negative = amount.startsWith('-');
  const [whole, decimals] = (negative ? amount.slice(1) : amount).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, ',');
  return (negative ? '−' : '') + grouped + (decimals ? '.' + decimals : '');
}

/** The same without its sign, for texts that say the side in words. */
export const size = (amount: string) => money(amount.replace('-', ''));

/** A change with its sign; a dash where it is not known. */
export const signed = (change: string | null | undefined) =>
  !change ? '—' : isZero(change) ? '±0' : isNegative(change) ? money(change) : `+${money(change)}`;

/** A dash where there is nothing, so that columns of figures stay calm. */
export const moneyOrDash = (amount: string | null | undefined) => (amount && !isZero(amount) ? money(amount) : '—');

export const isZero = (amount: string) => /^-?0*(\.0*)?$/.test(amount);

export const isNegative = (amount: string) => amount.startsWith('-') && !isZero(amount);

const signs: Record<string, string> = { GBP: '£', EUR: '€', USD: '$' };

export const withCurrency = (amount: string, currency: string) =>
  signs[currency]
    ? (amount.startsWith('-') ? '−' : '') + signs[currency] + size(amount)
    : `${money(amount)} ${currency}`;

/** A fraction as a percentage with two decimals, for annual costs. */
export const percent = (fraction: string | null | undefined) =>
  fraction ? `${(Number(fraction) * 100).toFixed(2)} %` : '—';

/** Groups the amounts inside a sentence. */
export const grouped = (text: string) => text.replace(/\d{4,}\.\d+/g, (amount) => money(amount));

/** Days or a percentage with one decimal; a dash where there is none. */
export const oneDecimal = (of: string | null) =>
  of === null
    ? '—'
    : Number(of)
        .toFixed(1)
        .replace(/^-0\.0$/, '0.0')
        .replace('-', '−');
