import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Alert, Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router-dom';
import { ofAccount, ofAccounts } from '../../api/changes';
import {
  placeBankEntry,
  postUnassigned,
  putEntryAside,
  takeClearingBack,
  takeEntryUp,
  type EntryInHandView,
  type StatementLineView,
} from '../../api/generated';
import { getBankEntryOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { ReasonDialog } from '../../form/ReasonDialog';
import { useAct } from '../../form/useAct';
import { day } from '../../format/dates';
import { grouped, isNegative, withCurrency } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { toldOf } from './lines';
import { PlaceMoney } from './PlaceMoney';
import { Recognised } from './Recognised';
import { ReturnInHand } from './ReturnInHand';
import { SettlesTransit } from './SettlesTransit';

/** The one line in hand: what the payer wrote, what it settles, and what is done with it. */
export function LineInHand({
  line,
  currency,
  onDone,
}: {
  line: StatementLineView;
  currency: string;
  onDone: () => void;
}) {
  const may = useMay();
  const [account, setAccount] = useState<string>();
  const [aside, setAside] = useState(false);
  // Whether it settles a refund or a slip; undefined until that is said.
  const [transit, setTransit] = useState<boolean>();
  const [back, setBack] = useState(false);
  const query = useQuery({
    ...getBankEntryOptions({ path: { id: line.id }, query: { account } }),
    placeholderData: keepPreviousData,
  });
  const act = useAct(ofAccounts);
  const waits = line.state === 'waiting' && may('controller');
  const incoming = !isNegative(line.amount);
  const unassign = async () => {
    if (
      await act(() => answer(postUnassigned({ path: { id: line.id } })), 'Posted; it waits until its payer is known.')
    )
      onDone();
  };
  const settles = (entry: EntryInHandView) => entry.inTransit.length > 0 && (transit ?? !entry.placing?.account);
  useKeys(
    waits
      ? {
          z: () => setAside(true),
          ...(incoming ? { u: () => void unassign() } : {}),
        }
      : {},
  );
  return (
    <div className="card pad in-hand" aria-label="The line in hand" role="region">
      <Loaded query={query} what="the line" lines={8}>
        {(entry) => (
          <>
            <div className="row-between">
              <span>
                <h2 className="in-hand-name">{entry.placing?.accountName ?? (line.payer || line.reference)}</h2>{' '}
                <span className="muted">
                  {entry.placing?.account && (
                    <>
                      <Link to={`/accounts/${encodeURIComponent(entry.placing.account)}`}>{entry.placing.account}</Link>
                      {' · '}
                    </>
                  )}
                  {entry.placing?.why || (line.payer && entry.placing?.accountName ? `paid by ${line.payer}` : '')}
                </span>
              </span>
              <span className="nowrap">
                <span className="strong">{withCurrency(line.amount, currency)}</span>{' '}
                <span className="muted">value {day(line.valueDate)}</span>
              </span>
            </div>
            <div className="remittance">
              {entry.text ? (
                <Recognised text={entry.text} named={entry.placing?.named ?? []} />
              ) : (
                <span className="muted">The payer wrote nothing.</span>
              )}
            </div>
            {(entry.payerAccount || line.payer) && (
              <div className="small muted">
                {line.payer}
                {line.payer && entry.payerAccount ? ' · ' : ''}
                {entry.payerAccount} · bank reference {line.reference}
              </div>
            )}
            {(settles(entry) ? [] : entry.findings).map((f) => (
              <div key={f.code} className="small">
                {grouped(f.text)}.
              </div>
            ))}
            {line.state !== 'waiting' ? (
              <Decided
                line={line}
                onTakenUp={() => act(() => answer(takeEntryUp({ path: { id: line.id } })))}
                onTakeBack={entry.cleared && may('controller') ? () => setBack(true) : undefined}
              />
            ) : settles(entry) && may('controller') ? (
              <SettlesTransit line={line} inTransit={entry.inTransit} onDone={onDone}>
                <Button onClick={() => setTransit(false)}>It is something else</Button>
                <Button onClick={() => setAside(true)}>
                  Put aside <kbd>Z</kbd>
                </Button>
              </SettlesTransit>
            ) : entry.placing && may('controller') ? (
              <PlaceMoney
                key={`${line.id} ${entry.placing.account ?? ''}`}
                placing={entry.placing}
                currency={currency}
                hasBankAccount={entry.payerAccount !== ''}
                post={(body, preview, headers) =>
                  answer(placeBankEntry({ path: { id: line.id }, query: { preview }, body, headers }))
                }
                change={entry.placing.account ? ofAccount(entry.placing.account) : ofAccounts}
                onAccount={setAccount}
                onDone={onDone}
              >
                <Button onClick={() => void unassign()}>
                  Payer not known <kbd>U</kbd>
                </Button>
                {entry.inTransit.length > 0 && <Button onClick={() => setTransit(true)}>It credits a slip</Button>}
                <Button onClick={() => setAside(true)}>
                  Put aside <kbd>Z</kbd>
                </Button>
              </PlaceMoney>
            ) : waits && !incoming ? (
              <ReturnInHand line={line} receipts={entry.returns} onDone={onDone}>
                <Button onClick={() => setAside(true)}>
                  Put aside <kbd>Z</kbd>
                </Button>
              </ReturnInHand>
            ) : null}
          </>
        )}
      </Loaded>
      {back && (
        <ReasonDialog
          title="Take back what it settled"
          label="Reason"
          extra="The line waits again, and so does the refund or the slip."
          action="Take it back"
          change={ofAccounts}
          act={(reason) => answer(takeClearingBack({ path: { id: line.id }, body: { reason } }))}
          onClose={() => setBack(false)}
        />
      )}
      {aside && (
        <ReasonDialog
          title="Put the line aside"
          label="Why it is no customer's business"
          extra="Nothing is posted. It can be taken up again."
          action="Put aside"
          change={ofAccounts}
          act={(reason) => answer(putEntryAside({ path: { id: line.id }, body: { reason } })).then(onDone)}
          onClose={() => setAside(false)}
        />
      )}
    </div>
  );
}

const Decided = ({
  line,
  onTakenUp,
  onTakeBack,
}: {
  line: StatementLineView;
  onTakenUp: () => Promise<unknown>;
  /** Where it settled a refund or a slip. */
  onTakeBack?: () => void;
}) => (
  <Alert
    style={{ marginTop: 12 }}
    type="info"
    showIcon
    title={`This line is ${toldOf(line)}.`}
    action={
      line.state === 'aside' ? (
        <Button size="small" onClick={() => void onTakenUp()}>
          Take it up again
        </Button>
      ) : onTakeBack ? (
        <Button size="small" onClick={onTakeBack}>
          Take it back
        </Button>
      ) : line.account ? (
        <Link to={`/accounts/${encodeURIComponent(line.account)}`}>{line.accountName}</Link>
      ) : undefined
    }
  />
);
