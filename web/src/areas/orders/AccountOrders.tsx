import { Button } from 'antd';
import { useNavigate } from 'react-router-dom';
import type { AccountPage } from '../../api/generated';
import { day } from '../../format/dates';
import { money, moneyOrDash } from '../../format/money';
import { KeptFindings } from '../orders/CheckPanel';
import { orderStates } from '../orders/states';
import { useMay } from '../users/useSession';

/** The orders of an account. */
export function AccountOrders({ page }: { page: AccountPage }) {
  const go = useNavigate();
  const may = useMay();
  return (
    <div style={{ padding: '4px 6px 12px' }}>
      {may('controller') && (
        <Button size="small" onClick={() => void go(`/orders?new=1&account=${encodeURIComponent(page.account.code)}`)}>
          Check an order
        </Button>
      )}
      {page.orders.length === 0 ? (
        <p className="muted">There are no orders on this account.</p>
      ) : (
        <table className="grid" aria-label="Orders">
          <thead>
            <tr>
              <th>Order</th>
              <th>Date</th>
              <th>State</th>
              <th className="figure">Ordered</th>
              <th className="figure">Approved</th>
              <th className="figure">Invoiced</th>
              <th className="figure">Held</th>
              <th>Found</th>
            </tr>
          </thead>
          <tbody>
            {page.orders.map((o) => (
              <tr key={o.id}>
                <td>
                  <button
                    type="button"
                    className="linkish strong"
                    onClick={() => void go(`/orders?show=all&id=${o.id}`)}
                  >
                    {o.number}
                  </button>
                </td>
                <td className="nowrap">{day(o.date)}</td>
                <td>{orderStates[o.state]}</td>
                <td className="figure">{money(o.total)}</td>
                <td className="figure">{moneyOrDash(o.approved)}</td>
                <td className="figure">{moneyOrDash(o.invoiced)}</td>
                <td className="figure">{moneyOrDash(o.held)}</td>
                <td>
                  <KeptFindings findings={o.findings} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
