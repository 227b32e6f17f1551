import dayjs from 'dayjs';
import { PeriodInput } from '../../form/PeriodInput';
import { iso } from '../../format/dates';

/** The period of measures and leakage, by which they are asked for. */
export const Period = ({
  from,
  to,
  onChange,
}: {
  from: string | undefined;
  to: string | undefined;
  onChange: (period: { from: string; to: string }) => void;
}) => (
  <PeriodInput
    aria-label="Period"
    value={from && to ? [dayjs(from), dayjs(to)] : null}
    onChange={(next) => {
      onChange({ from: iso(next[0]), to: iso(next[1]) });
    }}
  />
);
