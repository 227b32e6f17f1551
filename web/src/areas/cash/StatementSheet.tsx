import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Pagination, Progress, Select } from 'antd';
import { useState } from 'react';
import { ofAccounts, readAgain } from '../../api/changes';
import { postCertain, type StatementView } from '../../api/generated';
import { listStatementLinesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer, asProblem } from '../../api/problem';
import { day } from '../../format/dates';
import { money, withCurrency } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { stepped } from '../../table/useListKeys';
import { LineInHand } from './LineInHand';
import { nextWaiting } from './lines';
import { StatementLine } from './StatementLine';

const pageSize = 200;

const labelOf = (s: StatementView) =>
  [`${s.statement} of ${s.lastDate ? day(s.lastDate) : 'no day'}`, s.waiting > 0 && `${s.waiting} to place`]
    .filter(Boolean)
    .join(' · ');

/** A bank statement: its lines at the left with how sure each proposal is, the one in hand at the right. */
export function StatementSheet({ statements }: { statements: StatementView[] }) {
  const { search, change } = useAddress();
  const may = useMay();
  const client = useQueryClient();
  const { message } = App.useApp();
  const [posting, setPosting] = useState<{ done: number; of: number } | null>(null);
  const wanted = Number(search.get('statement'));
  const statement =
    statements.find((s) => s.id === wanted) ?? statements.findLast((s) => s.waiting > 0) ?? statements[0];
  const page = Number(search.get('page') ?? 1);
  const query = useQuery({
    ...listStatementLinesOptions({ path: { id: statement?.id ?? 0 }, query: { page, pageSize } }),
    enabled: statement !== undefined,
    placeholderData: keepPreviousData,
  });
  const lines = query.data?.items ?? [];
  const line = lines.find((l) => l.id === Number(search.get('line'))) ?? nextWaiting(lines, -1) ?? lines[0];
  const at = lines.findIndex((l) => l.id === line?.id);
  const choose = (to: (typeof lines)[number] | undefined) =>
    to && change({ statement: String(statement?.id), line: String(to.id) });
  const step = (by: number) => choose(lines[stepped(at, by, lines.length)]);
  const certain = query.data?.certain ?? 0;

  // Some at a time, so that others are not kept waiting and it can be stopped between.
  const postAll = async () => {
    if (!statement) return;
    let stopped = false;
    const stop = message.open({
      type: 'loading',
      duration: 0,
      key: 'certain',
      content: (
        <>
          Posting what is certain …{' '}
          <Button size="small" onClick={() => (stopped = true)}>
            Stop
          </Button>
        </>
      ),
    });
    let done = 0;
    try {
      for (let left = certain; left > 0 && !stopped;) {
        const answered = await answer(postCertain({ path: { id: statement.id }, body: {} }));
        done += answered.posted;
        left = answered.posted === 0 ? 0 : answered.left;
        setPosting({ done, of: done + left });
      }
      void message.success(`${done} ${done === 1 ? 'receipt is' : 'receipts are'} posted.`);
    } catch (e) {
      void message.error(asProblem(e).detail);
    } finally {
      stop();
      setPosting(null);
      await readAgain(client, ofAccounts);
    }
  };
  useKeys({
    j: () => step(1),
    k: () => step(-1),
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    g: () => certain > 0 && !posting && may('controller') && void postAll(),
  });
  if (!statement)
    return (
      <div className="card pad muted">
        No bank statement came in yet. Fetch today’s from the bank with F, or read a camt.053 file as your bank gives it
        with B. Payments that are not on a statement are taken on the account they are for, with R.
      </div>
    );
  return (
    <div className="split cash-split">
      <div className="card queue-with-foot">
        <div className="queue-head">
          <Select
            aria-label="Statement"
            value={statement.id}
            popupMatchSelectWidth={false}
            variant="borderless"
            onChange={(id) => change({ statement: String(id), line: '', page: '' })}
            options={statements.map((s) => ({
              value: s.id,
              label: labelOf(s),
            }))}
          />
          <div className="row-between small">
            <span className="muted">
              {money(statement.opening)} to {withCurrency(statement.closing, statement.currency)}
            </span>
            <span className="muted" title={statement.account}>
              account …{statement.account.slice(-4)}
            </span>
          </div>
          {query.data && statement.waiting > 0 && (
            <div className="row-between">
              <span className="small">
                {certain} certain, {query.data.likely} likely, {query.data.unknown} not known
              </span>
              {certain > 0 && may('controller') && (
                <Button size="small" type="primary" loading={posting !== null} onClick={() => void postAll()}>
                  Post the {certain} certain <kbd>G</kbd>
                </Button>
              )}
            </div>
          )}
          {posting && <Progress percent={Math.round((posting.done / Math.max(1, posting.of)) * 100)} size="small" />}
        </div>
        <div className="queue" role="list" aria-label="Lines of the statement" tabIndex={0}>
          <Loaded query={query} what="the lines" lines={10}>
            {({ items }) => (
              <>
                {items.map((l) => (
                  <StatementLine key={l.id} line={l} on={l.id === line?.id} onChoose={() => choose(l)} />
                ))}
                {items.length === 0 && <p className="pad muted">This statement has no lines.</p>}
              </>
            )}
          </Loaded>
        </div>
        {query.data && query.data.total > pageSize && (
          <Pagination
            size="small"
            simple
            current={page}
            pageSize={pageSize}
            total={query.data.total}
            onChange={(p) => change({ page: String(p), line: '' })}
          />
        )}
        <div className="queue-foot row-between">
          <span className="strong">Still to be placed</span>
          <span className="figure strong">{money(query.data?.statement.waitingSum ?? statement.waitingSum)}</span>
        </div>
      </div>
      <div>
        {line && (
          <LineInHand
            key={line.id}
            line={line}
            currency={statement.currency}
            onDone={() => choose(nextWaiting(lines, at))}
          />
        )}
      </div>
    </div>
  );
}
