import { keepPreviousData, useQuery, type UseQueryResult } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { ofAccount, ofAccounts } from '../../api/changes';
import {
  assignReceipt,
  takeUnassignedBack,
  type UnassignedPage,
  type UnassignedReceiptView,
} from '../../api/generated';
import { getUnassignedOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { ReasonDialog } from '../../form/ReasonDialog';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useListKeys } from '../../table/useListKeys';
import { PlaceMoney } from './PlaceMoney';
import { Recognised } from './Recognised';

/** Receipts that are in the books and whose payer is not known: the list, and the one in hand. */
export function UnassignedSheet({ query }: { query: UseQueryResult<UnassignedPage, unknown> }) {
  const rows = query.data?.items ?? [];
  const { at, setAt } = useListKeys(rows.length, () => ({}));
  const receipt = rows[at];
  return (
    <div className="split cash-split">
      <div
        className="card queue"
        role={rows.length > 0 ? 'list' : 'region'}
        aria-label="Unassigned receipts"
        tabIndex={0}
      >
        <Loaded query={query} what="the unassigned receipts" lines={6}>
          {({ items }) =>
            items.length === 0 ? (
              <p className="pad muted">
                Every receipt is on an account. What nobody is recognised for comes here with U.
              </p>
            ) : (
              items.map((r, i) => (
                <div key={r.id} role="listitem" className={`entry${i === at ? ' on' : ''}`} onClick={() => setAt(i)}>
                  <div className="row-between" style={{ flexWrap: 'nowrap' }}>
                    <button
                      type="button"
                      className="linkish strong ellipsis"
                      aria-current={i === at ? 'true' : undefined}
                      onClick={() => setAt(i)}
                    >
                      {r.payer || 'Payer not named'}
                    </button>
                    <span className="figure strong">{money(r.amount)}</span>
                  </div>
                  <div className="small muted ellipsis">
                    value {day(r.valueDate)} · {r.text}
                  </div>
                </div>
              ))
            )
          }
        </Loaded>
      </div>
      <div>{receipt && <Receipt key={receipt.id} receipt={receipt} />}</div>
    </div>
  );
}

function Receipt({ receipt }: { receipt: UnassignedReceiptView }) {
  const may = useMay();
  const [account, setAccount] = useState<string>();
  const [back, setBack] = useState(false);
  const query = useQuery({
    ...getUnassignedOptions({ path: { id: receipt.id }, query: { account } }),
    placeholderData: keepPreviousData,
  });
  return (
    <div className="card pad in-hand" aria-label="The receipt in hand" role="region">
      <div className="row-between">
        <h2 className="in-hand-name">{receipt.payer || 'Payer not named'}</h2>
        <span className="nowrap">
          <span className="strong">{money(receipt.amount)}</span>{' '}
          <span className="muted">value {day(receipt.valueDate)}</span>
        </span>
      </div>
      <Loaded query={query} what="the receipt" lines={6}>
        {({ placing, receipt: { text, payerAccount } }) => (
          <>
            <div className="remittance">
              {text ? (
                <Recognised text={text} named={placing.named} />
              ) : (
                <span className="muted">The payer wrote nothing.</span>
              )}
            </div>
            {payerAccount && <div className="small muted">{payerAccount}</div>}
            {receipt.movedFrom && (
              <div className="small">
                Moved off {receipt.movedFrom}, receipt {receipt.movedReceipt}
              </div>
            )}
            {may('controller') && (
              <PlaceMoney
                key={placing.account ?? ''}
                placing={placing}
                currency={receipt.currency}
                hasBankAccount={payerAccount !== ''}
                post={(body, preview, headers) =>
                  answer(assignReceipt({ path: { id: receipt.id }, query: { preview }, body, headers }))
                }
                change={placing.account ? ofAccount(placing.account) : ofAccounts}
                onAccount={setAccount}
                onDone={() => undefined}
              >
                <Button onClick={() => setBack(true)}>Take back</Button>
              </PlaceMoney>
            )}
          </>
        )}
      </Loaded>
      {back && (
        <ReasonDialog
          title="Take the receipt back"
          label="Reason"
          extra={
            receipt.movedFrom
              ? `It goes back to ${receipt.movedFrom}, with what it settled there.`
              : 'Its posting is reversed; its line on the statement waits again.'
          }
          action="Take back"
          change={ofAccounts}
          act={(reason) => answer(takeUnassignedBack({ path: { id: receipt.id }, body: { reason } }))}
          onClose={() => setBack(false)}
        />
      )}
    </div>
  );
}
