import { Button, InputNumber } from 'antd';
import { ShareInput, type Share } from '../../form/ShareInput';

/** A discount on this invoice alone, in the place of those of its terms. */
export const OneOff = ({
  share,
  days,
  onChange,
}: {
  share: Share | null;
  days: number | null;
  onChange: (share: Share | null, days: number | null) => void;
}) =>
  share ? (
    <div className="one-off" role="group" aria-label="Discount on this invoice">
      <span>Discount on this invoice</span>
      <ShareInput
        name="Discount on this invoice"
        title="kind"
        share={share}
        usual={{ percent: '3', amount: '50.00' }}
        onChange={(next) => onChange(next, days)}
      />
      <span>within</span>
      <InputNumber
        size="small"
        aria-label="Days within which it is earned"
        min={0}
        max={366}
        value={days}
        suffix="days"
        style={{ width: 104 }}
        onChange={(next) => onChange(share, next)}
      />
      <Button size="small" type="text" aria-label="Remove the discount" onClick={() => onChange(null, days)}>
        ×
      </Button>
    </div>
  ) : (
    <Button size="small" onClick={() => onChange({ percent: '3' }, 7)}>
      Give a one-off discount
    </Button>
  );
