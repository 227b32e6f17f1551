import type { AccountRow } from '../../api/generated';
import { LimitBar } from '../../drawings/LimitBar';
import { isNegative, money, size } from '../../format/money';

const left = (row: AccountRow) =>
  isNegative(row.headroom) ? `Over by ${size(row.headroom)}` : `${money(row.headroom)} left`;

/** The account as it stands and, where something is held, with that. */
export const OrderBars = ({ before, after }: { before: AccountRow; after?: AccountRow }) => (
  <table className="lines">
    <tbody>
      {[{ name: 'As it stands', row: before }, ...(after ? [{ name: 'With what is held', row: after }] : [])].map(
        ({ name, row }) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td style={{ width: '55%' }}>
              <LimitBar row={row} />
            </td>
            <td className={`figure${isNegative(row.headroom) ? ' alarm strong' : ''}`}>{left(row)}</td>
          </tr>
        ),
      )}
    </tbody>
  </table>
);
