import { getItemCharge, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { holdsOf } from '../../drawings/holds';
import { AxisHead, axisOf, LifeStrip } from '../../drawings/LifeStrip';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { itemKinds } from '../../words/ledger';
import { useWorkings } from '../../workings/Workings';

/** The open items of an account, each with its life, what it is open by, its discount and its late charge. */
export function ItemsTable({ page, at, onFocus }: { page: AccountPage; at: number; onFocus: (index: number) => void }) {
  const show = useWorkings();
  const axis = axisOf(page.items, page.asOf);
  const ages = { by: page.bucketsBy, upTo: page.bucketsUpTo };
  const workings = async (id: number) =>
    show(await answer(getItemCharge({ path: { code: page.account.code, id }, query: { through: page.asOf } })));
  if (page.items.length === 0) return <p className="muted pad">Nothing is open on this account.</p>;
  return (
    <table className="grid" aria-label="Open items">
      <thead>
        <tr>
          <th>Item</th>
          <th>Terms</th>
          <th style={{ width: '42%' }}>
            <span className="hidden-text">Its life, from its date to some weeks ahead</span>
            <AxisHead axis={axis} />
          </th>
          <th className="figure">Open</th>
          <th className="figure">Discount today</th>
          <th className="figure">Late charge</th>
        </tr>
      </thead>
      <tbody>
        {page.items.map((item, i) => (
          <tr key={item.id} id={`item-${item.document}`} className={i === at ? 'on' : ''} onClick={() => onFocus(i)}>
            <td className="nowrap">
              <span className="strong">{item.document}</span>
              <br />
              <span className="muted small">
                {day(item.date)}
                {itemKinds[item.kind] ? `, ${itemKinds[item.kind]}` : ''}
              </span>
            </td>
            <td className="small" style={{ minWidth: 84 }}>
              {item.terms}
            </td>
            <td>
              <LifeStrip item={item} axis={axis} ages={ages} holds={holdsOf(item, page)} />
            </td>
            <td className="figure">
              {money(item.open)}
              {item.openByValue !== item.open && (
                <div
                  className="muted small"
                  title="What is open by value dates, as if everything known today had been known on this day"
                >
                  {money(item.openByValue)} by value
                </div>
              )}
              {!isZero(item.disputed) && <div className="alarm small">{money(item.disputed)} disputed</div>}
              {item.daysOverdue > 0 && !item.open.startsWith('-') && (
                <div className="muted small">
                  {item.daysOverdue} {item.daysOverdue === 1 ? 'day' : 'days'} over
                </div>
              )}
            </td>
            <td className="figure good">{item.discountToday ? money(item.discountToday) : '—'}</td>
            <td className="figure">
              {item.lateCharge ? (
                <button
                  type="button"
                  className="linkish"
                  onClick={() => void workings(item.id)}
                  aria-label={`Workings of the late charge on ${item.document}`}
                >
                  {money(item.lateCharge)}
                </button>
              ) : (
                '—'
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
