import { Button } from 'antd';
import type { OpenItemView, PaymentLineView, UsedCreditView } from '../../api/generated';
import { TieBar } from '../../drawings/TieBar';
import { day } from '../../format/dates';
import { grouped, isZero, money, moneyOrDash } from '../../format/money';
import type { Chosen } from './paymentItems';

/** What the money does to each item, with the decisions that are still open. */
export function PlacedItems({
  lines,
  credits,
  items,
  decided,
  onAllow,
  onWriteOff,
  onDispute,
}: {
  lines: PaymentLineView[];
  credits: UsedCreditView[];
  items: OpenItemView[];
  decided: Chosen;
  onAllow: (id: number) => void;
  onWriteOff: (id: number, whole: boolean) => void;
  onDispute: (id: number) => void;
}) {
  const due = new Map(items.map((i) => [i.id, i.due]));
  const firstShort = lines.find((l) => !isZero(l.staysOpen))?.itemId;
  if (lines.length === 0) return <p className="muted small">No item is settled; all of it stays on account.</p>;
  return (
    <div className="scrolled">
      <table className="grid" aria-label="What it settles">
        <thead>
          <tr>
            <th scope="col">Item</th>
            <th scope="col" style={{ minWidth: 150 }}>
              How it is settled
            </th>
            <th scope="col" className="figure">
              Open
            </th>
            <th scope="col" className="figure">
              Cash
            </th>
            <th scope="col" className="figure">
              Discount
            </th>
            <th scope="col" className="figure">
              Written off
            </th>
            <th scope="col" className="figure">
              Stays open
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.itemId}>
              <td className="nowrap">
                <span className="strong">{line.document}</span>
                <div className="small muted">due {day(due.get(line.itemId) ?? '')}</div>
              </td>
              <td>
                <TieBar tie={line} />
                {line.findings.length > 0 && (
                  <div className="small">{grouped(line.findings.map((f) => f.text).join('. '))}.</div>
                )}
                {line.findings.some((f) => f.code === 'discount-not-taken' || f.code === 'discount-partly-taken') && (
                  <div className="row-gap small">
                    <Button size="small" onClick={() => onAllow(line.itemId)}>
                      Grant it{line.itemId === lines[0]?.itemId && <kbd>A</kbd>}
                    </Button>
                  </div>
                )}
                {(!isZero(line.staysOpen) || decided[line.itemId]?.writeOff === true) && (
                  <div className="row-gap small">
                    {line.findings.some((f) => f.code === 'discount-unearned') && (
                      <Button size="small" onClick={() => onAllow(line.itemId)}>
                        Allow it{line.itemId === firstShort && <kbd>A</kbd>}
                      </Button>
                    )}
                    {decided[line.itemId]?.writeOff === true ? (
                      <Button size="small" onClick={() => onWriteOff(line.itemId, false)}>
                        Leave it open
                      </Button>
                    ) : (
                      <>
                        <Button size="small" onClick={() => onWriteOff(line.itemId, true)}>
                          Write off {money(line.staysOpen)}
                          {line.itemId === firstShort && <kbd>X</kbd>}
                        </Button>
                        {decided[line.itemId]?.dispute === true ? (
                          <span>becomes a dispute</span>
                        ) : (
                          <Button size="small" onClick={() => onDispute(line.itemId)}>
                            Dispute{line.itemId === firstShort && <kbd>D</kbd>}
                          </Button>
                        )}
                      </>
                    )}
                  </div>
                )}
              </td>
              <td className="figure">{money(line.open)}</td>
              <td className="figure">{moneyOrDash(line.cash)}</td>
              <td className="figure good">{moneyOrDash(line.discount)}</td>
              <td className="figure">{moneyOrDash(line.writeOff)}</td>
              <td className={`figure${isZero(line.staysOpen) ? '' : ' strong'}`}>{moneyOrDash(line.staysOpen)}</td>
            </tr>
          ))}
          {credits.map((credit) => (
            <tr key={credit.itemId}>
              <td className="nowrap strong">{credit.document}</td>
              <td className="small muted" colSpan={2}>
                credit used together with it
              </td>
              <td className="figure">{money(credit.amount)}</td>
              <td colSpan={3} />
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
