import type { ReminderLineView, ReminderProposalView } from '../../api/generated';
import { day } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { treatments } from '../../words/policies';

/** What the letter lists: the items that move to its level, the others apart, then charge, fees and total. */
export function LetterItems({ next }: { next: ReminderProposalView }) {
  const moving = next.items.filter((i) => i.moves);
  const listed = next.items.filter((i) => !i.moves);
  return (
    <div className="card scrolled" role="region" aria-label="What the letter lists" tabIndex={0}>
      <table className="grid" aria-label="Items of the reminder">
        <thead>
          <tr>
            <th>Item</th>
            <th>Due</th>
            <th className="figure">Days overdue</th>
            <th>Level</th>
            <th className="figure">Open</th>
          </tr>
        </thead>
        <tbody>
          {moving.map((i) => (
            <ItemRow key={i.itemId} item={i} level={`moves to ${i.level}`} />
          ))}
          {listed.length > 0 && (
            <tr>
              <th colSpan={5} scope="rowgroup">
                Also overdue, listed without moving
              </th>
            </tr>
          )}
          {listed.map((i) => (
            <ItemRow
              key={i.itemId}
              item={i}
              level={i.remindedOn && i.level > 0 ? `${i.level}, reminded ${day(i.remindedOn)}` : 'never reminded'}
            />
          ))}
          {!isZero(next.lateCharge) && (
            <tr>
              <td colSpan={4}>Late charge to date with its tax, {treatments[next.lateChargeTreatment]}</td>
              <td className="figure">{money(next.lateCharge)}</td>
            </tr>
          )}
          {!isZero(next.fee) && (
            <tr>
              <td colSpan={4}>
                {isZero(next.earlierFees)
                  ? `Fee, ${treatments[next.feeTreatment]}`
                  : `Fees, ${money(next.earlierFees)} of them asked for in earlier letters`}
              </td>
              <td className="figure">{money(next.fee)}</td>
            </tr>
          )}
          <tr>
            <td colSpan={4} className="strong">
              Total of the letter
            </td>
            <td className="figure strong">{money(next.total)}</td>
          </tr>
        </tbody>
      </table>
    </div>
  );
}

const ItemRow = ({ item, level }: { item: ReminderLineView; level: string }) => (
  <tr>
    <td className="strong">{item.document}</td>
    <td>{day(item.due)}</td>
    <td className="figure">{item.daysOverdue}</td>
    <td>{level}</td>
    <td className="figure">{money(item.open)}</td>
  </tr>
);
