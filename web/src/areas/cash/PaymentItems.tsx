import { Checkbox, Select } from 'antd';
import { Fragment } from 'react';
import type { ItemView, PaymentLineView, UsedCreditView } from '../../api/generated';
import { TieBar } from '../../drawings/TieBar';
import { day } from '../../format/dates';
import { grouped, isNegative, isZero, money, moneyOrDash } from '../../format/money';
import { itemKinds } from '../../words/ledger';
import { granted, proposed, refused, type Chosen, type DiscountChoice } from './paymentItems';

/** Findings that say a discount was in force and not taken, or taken in part. */
const offers = new Set(['discount-not-taken', 'discount-partly-taken']);

/** The open items of an account, and what the payment does to those that are chosen. */
export function PaymentItems({
  items,
  chosen,
  lines,
  credits,
  onToggle,
  onChange,
}: {
  items: ItemView[];
  chosen: Chosen;
  lines: PaymentLineView[];
  /** Credits that the payment uses. */
  credits: UsedCreditView[];
  onToggle: (id: number) => void;
  onChange: (id: number, part: Partial<Chosen[number]>) => void;
}) {
  const effects = new Map(lines.map((l) => [l.itemId, l]));
  const used = new Map(credits.map((c) => [c.itemId, c.amount]));
  return (
    <div className="card scrolled">
      <table className="grid" aria-label="Items to settle">
        <thead>
          <tr>
            <th>
              <span className="hidden-text">Choose</span>
            </th>
            <th>Item</th>
            <th>Due</th>
            <th className="figure">Open</th>
            <th>Match</th>
            <th className="figure">Cash</th>
            <th className="figure">Discount</th>
            <th className="figure">Written off</th>
            <th className="figure">Stays open</th>
            <th>Discount is</th>
          </tr>
        </thead>
        <tbody>
          {items.map((item) => {
            const choice = chosen[item.id];
            const line = choice && effects.get(item.id);
            return (
              <Fragment key={item.id}>
                <tr className={choice ? 'on' : ''}>
                  <td>
                    <Checkbox
                      checked={!!choice}
                      onChange={() => onToggle(item.id)}
                      aria-label={`${isNegative(item.open) ? 'Use' : 'Settle'} ${item.document}`}
                    />
                  </td>
                  <td className="nowrap">
                    <span className="strong">{item.document}</span>
                    {isNegative(item.open) && <span className="muted small"> {itemKinds[item.kind]}</span>}
                  </td>
                  <td className="nowrap">{day(item.due)}</td>
                  <td className="figure">{money(item.open)}</td>
                  <td>{line && <TieBar tie={line} />}</td>
                  <td className="figure">
                    {line ? moneyOrDash(line.cash) : used.has(item.id) ? `${money(used.get(item.id))} used` : ''}
                  </td>
                  <td className="figure good">
                    {line
                      ? moneyOrDash(line.discount)
                      : item.discountToday && <span className="muted">{money(item.discountToday)} offered</span>}
                  </td>
                  <td className="figure">{line ? moneyOrDash(line.writeOff) : ''}</td>
                  <td className="figure">
                    {line && <StaysOpen line={line} onWriteOff={(writeOff) => onChange(item.id, { writeOff })} />}
                  </td>
                  <td>
                    {choice && item.discounts.length > 0 && (
                      <DiscountOf
                        item={item}
                        value={choice.discount}
                        onChange={(discount) => onChange(item.id, { discount })}
                      />
                    )}
                  </td>
                </tr>
                {line && line.findings.length > 0 && (
                  <tr className="on">
                    <td />
                    <td colSpan={9} className="small">
                      {grouped(line.findings.map((f) => f.text).join('. '))}.{' '}
                      {choice?.discount === proposed && line.findings.some((f) => offers.has(f.code)) && (
                        <button
                          type="button"
                          className="linkish"
                          onClick={() =>
                            onChange(item.id, { discount: item.discounts.find((d) => d.inForce)?.deadline ?? granted })
                          }
                        >
                          Grant it
                        </button>
                      )}
                    </td>
                  </tr>
                )}
              </Fragment>
            );
          })}
          {items.length === 0 && (
            <tr>
              <td colSpan={10} className="muted">
                Nothing is open; what comes in stays on account.
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

/** What a payment leaves open of an item, which can be written off. */
const StaysOpen = ({ line, onWriteOff }: { line: PaymentLineView; onWriteOff: (whole: boolean) => void }) => (
  <>
    {moneyOrDash(line.staysOpen)}
    {(!isZero(line.staysOpen) || !isZero(line.writeOff)) && (
      <div>
        <button type="button" className="linkish small" onClick={() => onWriteOff(isZero(line.writeOff))}>
          {isZero(line.writeOff) ? 'write it off' : 'leave it open'}
        </button>
      </div>
    )}
  </>
);

/** Whether the discount goes by the rules, is granted, or is not given. */
const DiscountOf = ({
  item,
  value,
  onChange,
}: {
  item: ItemView;
  value: DiscountChoice;
  onChange: (choice: DiscountChoice) => void;
}) => (
  <Select<DiscountChoice>
    size="small"
    aria-label={`Discount of ${item.document}`}
    value={value}
    style={{ width: 150 }}
    popupMatchSelectWidth={false}
    onChange={onChange}
    options={[
      { value: proposed, label: 'by the rules' },
      ...item.discounts.map((d) => ({
        value: d.deadline,
        label: `${money(d.amount)} ${d.inForce ? 'granted' : 'allowed late'}`,
      })),
      { value: refused, label: 'not given' },
    ]}
  />
);
