import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Pagination, Segmented } from 'antd';
import { useState } from 'react';
import type { MessageRowView } from '../../api/generated';
import { listMessagesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { useCompany } from '../../api/queries';
import { moment } from '../../format/dates';
import { useKeys } from '../../shell/keys';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { useAddress } from '../../shell/useAddress';
import { messageStates, purposes } from '../../words/messages';
import { Choices } from '../../table/Choices';
import { Mailbox } from './Mailbox';
import { MessageInHand } from './MessageInHand';
import { PrintAll } from './PrintAll';

const pageSize = 100;

const empty: Record<string, string> = {
  '': 'Nothing went out yet. Send an invoice when you write it, or from the documents of an account.',
  waiting: 'Nothing waits to be sent.',
  print: 'Nothing waits to be printed.',
  held: 'Nothing is held back.',
  failed: 'Nothing needs you here: whatever went out has arrived at its mail server.',
  sent: 'Nothing was sent yet.',
};

/** What goes out to customers: the messages at the left, the one in hand at the right. */
export function OutboxPage() {
  const { search, change } = useAddress();
  const show = search.get('show') ?? '';
  const page = Number(search.get('page') ?? 1);
  const may = useMay();
  const demo = useCompany().data?.isDemo === true;
  const [printing, setPrinting] = useState(false);
  const query = useQuery({
    ...listMessagesOptions({ query: { state: show === 'mailbox' ? '' : show, page, pageSize } }),
    placeholderData: keepPreviousData,
    // What is sent in the background moves on by itself.
    refetchInterval: (q) => ((q.state.data?.waiting ?? 0) > 0 ? 3000 : false),
  });
  const toPrint = query.data?.toPrint ?? 0;
  useKeys({ p: () => may('controller') && toPrint > 0 && setPrinting(true) });
  return (
    <div className="page sheet cash-sheet">
      <div className="headline">
        <h1>Outbox</h1>
        <Segmented
          aria-label="What is shown"
          value={show}
          onChange={(v) => change({ show: v, message: '', page: '', mail: '' })}
          options={[
            { value: '', label: 'All' },
            { value: 'waiting', label: `To send ${query.data?.waiting ?? ''}` },
            { value: 'print', label: `To print ${query.data?.toPrint ?? ''}` },
            { value: 'held', label: 'Held back' },
            { value: 'failed', label: `Not sent ${query.data?.failed ?? ''}` },
            { value: 'sent', label: 'Gone out' },
            ...(demo ? [{ value: 'mailbox', label: 'Mailbox' }] : []),
          ]}
        />
        <span className="muted small">
          {query.data &&
            (query.data.server
              ? `E-mail goes by ${query.data.server}.`
              : 'No mail server is set up, so e-mail waits. Name one in the company’s settings.')}
        </span>
        <span className="actions">
          {may('controller') && toPrint > 0 && (
            <Button type="primary" onClick={() => setPrinting(true)}>
              Print {toPrint} <kbd>P</kbd>
            </Button>
          )}
        </span>
      </div>
      {show === 'mailbox' ? (
        <Mailbox />
      ) : (
        <Loaded query={query} what="the outbox" lines={10}>
          {({ items, total }) => (
            <Messages items={items} total={total} page={page} told={empty[show] ?? 'Nothing of this kind.'} />
          )}
        </Loaded>
      )}
      {printing && <PrintAll onClose={() => setPrinting(false)} />}
    </div>
  );
}

function Messages({
  items,
  total,
  page,
  told,
}: {
  items: MessageRowView[];
  total: number;
  page: number;
  told: string;
}) {
  const { search, change } = useAddress();
  const chosen = items.find((m) => m.id === Number(search.get('message'))) ?? items[0];
  if (!chosen) return <div className="card pad muted">{told}</div>;
  return (
    <div className="split cash-split">
      <div className="card queue-with-foot">
        <div />
        <Choices
          label="Messages"
          chosen={String(chosen.id)}
          onChoose={(message) => change({ message })}
          choices={items.map((m) => ({
            key: String(m.id),
            title: `${purposes[m.purpose]} ${m.number}`,
            mark: <span className={`small nowrap ${isBad(m) ? 'alarm' : 'muted'}`}>{messageStates[m.state]}</span>,
            whom: m.name || m.recipients,
            when: moment(m.at),
          }))}
        />
        <div />
        {total > pageSize ? (
          <div className="pad">
            <Pagination
              size="small"
              current={page}
              pageSize={pageSize}
              total={total}
              showSizeChanger={false}
              onChange={(p) => change({ page: p > 1 ? String(p) : '', message: '' })}
            />
          </div>
        ) : (
          <div />
        )}
      </div>
      <MessageInHand key={chosen.id} id={chosen.id} />
    </div>
  );
}

const isBad = (m: MessageRowView) => m.state === 'failed' || m.state === 'unsure';
