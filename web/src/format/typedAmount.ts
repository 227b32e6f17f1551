/**
 * An amount as people write it, as it is sent: 4,20 and 4.20 are the same, 1,234.50, 1.234,50, 1 234.50 and 1'234,50 too.
 * A comma before three digits groups them; a point before three digits stays a point. What cannot be read stays as it is, so
 * that the field is named and what is wanted.
 */
export function plain(typed: string | null | undefined): string {
  const text = (typed ?? '').trim();
  const bare = text.replace(/[\s\u00a0\u202f'’]/g, '').replace('−', '-');
  if (!/^[-+]?[\d.,]*\d[\d.,]*$/.test(bare)) return text;
  const marks = [...bare.matchAll(/[.,]/g)];
  const last = marks.at(-1);
  if (!last) return bare;
  const both = new Set(marks.map((m) => m[0])).size === 2;
  const after = bare.length - last.index - 1;
  const groups = !both && (marks.length > 1 || (last[0] === ',' && after === 3));
  const whole = groups ? bare : bare.slice(0, last.index);
  const rest = groups ? '' : bare.slice(last.index + 1);
  // Groups have three digits each, and one mark between all of them.
  const inGroups = /^[-+]?\d{1,3}([.,]\d{3})+$/.test(whole) && !/\..*,|,.*\./.test(whole);
  if (/[.,]/.test(whole) && !inGroups) return text;
  const digits = whole.replace(/[.,]/g, '');
  return rest === '' ? digits : `${/\d/.test(digits) ? digits : `${digits}0`}.${rest}`;
}

/** What an amount is read as, where that does not stand there already; to be shown beside the field. */
export function readAs(typed: string | null | undefined): string | null {
  const text = (typed ?? '').trim();
  const read = plain(text);
  // A point before three digits may be meant to group them: what is meant is asked.
  if (/^[-+]?\d{1,3}\.\d{3}$/.test(text)) return `${text}? or ${text.replace('.', ',')}`;
  if (read === text || !/^[-+]?\d+(\.\d+)?$/.test(read)) return null;
  const [whole = '', rest] = read.split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, ',');
  const shown = rest === undefined ? grouped : `${grouped}.${rest}`;
  return shown === text ? null : shown;
}
