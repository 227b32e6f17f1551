import { Button } from 'antd';
import { useNavigate } from 'react-router-dom';
import type { AccountPage } from '../../api/generated';
import { day } from '../../format/dates';
import { money, moneyOrDash } from '../../format/money';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { orderStates } from '../../words/orders';
import { KeptFindings } from '../checks';

/** The orders of an account. */
export function AccountOrders({ page }: { page: AccountPage }) {
  const go = useNavigate();
  const may = useMay();
  return (
    <div className="tab-part">
      {may('controller') && (
        <Button size="small" onClick={() => void go(`/orders?new=1&account=${encodeURIComponent(page.account.code)}`)}>
          Check an order
        </Button>
      )}
      <Grid
        label="Orders"
        rows={page.orders}
        keyOf={(o) => o.id}
        empty="There are no orders on this account."
        columns={[
          {
            title: 'Order',
            cell: (o) => (
              <button type="button" className="linkish strong" onClick={() => void go(`/orders?show=all&id=${o.id}`)}>
                {o.number}
              </button>
            ),
          },
          { title: 'Date', className: 'nowrap', cell: (o) => day(o.date) },
          { title: 'State', cell: (o) => orderStates[o.state] },
          { title: 'Ordered', figure: true, cell: (o) => money(o.total) },
          { title: 'Approved', figure: true, cell: (o) => moneyOrDash(o.approved) },
          { title: 'Invoiced', figure: true, cell: (o) => moneyOrDash(o.invoiced) },
          { title: 'Held', figure: true, cell: (o) => moneyOrDash(o.held) },
          { title: 'Found', cell: (o) => <KeptFindings findings={o.findings} /> },
        ]}
      />
    </div>
  );
}
