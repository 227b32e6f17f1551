import { Input, Select } from 'antd';
import type { Choice } from './fields';

/** A part of a sum: a percentage, an amount, or what the others leave. */
export interface Share {
  percent?: string | null;
  amount?: string | null;
  remainder?: boolean | null;
}

export type ShareKind = 'percent' | 'amount' | 'remainder';

/** Which of them a share is. */
export const shareKind = (share: Share, otherwise: ShareKind): ShareKind =>
  share.percent != null ? 'percent' : share.amount != null ? 'amount' : otherwise;

/** A share of another kind, which starts with what is usual there. */
export const shareOf = (kind: ShareKind, usual: { percent: string; amount: string }): Share => ({
  percent: kind === 'percent' ? usual.percent : null,
  amount: kind === 'amount' ? usual.amount : null,
  remainder: kind === 'remainder' ? true : null,
});

/** Percent and amount stand together: which it is, and how much. */
export function ShareInput({
  name,
  title,
  share,
  usual,
  remainder,
  onChange,
}: {
  /** What the share is of, for a screen reader, such as "Discount 1". */
  name: string;
  /** What the choice between the kinds is called. */
  title: string;
  share: Share;
  /** What a share starts with when its kind is changed. */
  usual: { percent: string; amount: string };
  /** How what the others leave is called; where there is no such share it is left out. */
  remainder?: string;
  onChange: (share: Share) => void;
}) {
  const kind = shareKind(share, remainder ? 'remainder' : 'percent');
  const kinds: (Choice & { value: ShareKind })[] = [
    ...(remainder ? [{ value: 'remainder' as const, label: remainder }] : []),
    { value: 'percent', label: 'percent' },
    { value: 'amount', label: 'amount' },
  ];
  return (
    <>
      <Select<ShareKind>
        aria-label={`${name}: ${title}`}
        size="small"
        value={kind}
        options={kinds}
        onChange={(chosen) => onChange(shareOf(chosen, usual))}
        style={{ width: 88 }}
      />
      {kind === 'remainder' ? (
        <span />
      ) : (
        <Input
          aria-label={`${name}: ${kind}`}
          size="small"
          className="figure"
          suffix={kind === 'percent' ? '%' : undefined}
          value={share[kind] ?? ''}
          onChange={(e) => onChange({ ...shareOf(kind, usual), [kind]: e.target.value })}
        />
      )}
    </>
  );
}
