import { useQuery } from '@tanstack/react-query';
import { Alert, Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router-dom';
import { ofMessages } from '../../api/changes';
import { decideMessage, type MessageAct, type MessageView } from '../../api/generated';
import { getMessageOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { moment } from '../../format/dates';
import { useKeys } from '../../shell/keys';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { messageActs, messageStates, purposes } from '../../words/messages';

/** A message: what it says and brings, what happened to it, and what may be done about it. */
export function MessageInHand({ id }: { id: number }) {
  const query = useQuery({
    ...getMessageOptions({ path: { id } }),
    refetchInterval: (q) => (['waiting', 'sending'].includes(q.state.data?.message.state ?? '') ? 3000 : false),
  });
  return (
    <section className="card pad" aria-label="The message in hand">
      <Loaded query={query} what="the message" lines={8}>
        {(view) => <InHand view={view} />}
      </Loaded>
    </section>
  );
}

function InHand({ view }: { view: MessageView }) {
  const { message: m } = view;
  const may = useMay();
  const act = useAct(ofMessages(m.account));
  const [busy, setBusy] = useState(false);
  const decide = async (what: MessageAct) => {
    if (busy) return;
    setBusy(true);
    const once = { 'Idempotency-Key': crypto.randomUUID() };
    await act(() => answer(decideMessage({ path: { id: m.id }, body: { act: what }, headers: once })));
    setBusy(false);
  };
  const acts = may('controller') ? view.acts : [];
  useKeys(Object.fromEntries(acts.map((a) => [messageActs[a].key.toLowerCase(), () => void decide(a)])));
  const bad = m.state === 'failed' || m.state === 'unsure';
  return (
    <>
      <div className="row-between">
        <h2 className="in-hand-name">
          {purposes[m.purpose]} {m.number}
        </h2>
        <span className="row-gap">
          {acts.map((a, i) => (
            <Button
              key={a}
              type={i === 0 && bad ? 'primary' : 'default'}
              danger={a === 'withdraw'}
              disabled={busy}
              onClick={() => void decide(a)}
            >
              {messageActs[a].name} <kbd>{messageActs[a].key}</kbd>
            </Button>
          ))}
        </span>
      </div>
      <p className="muted linked" style={{ marginTop: 4 }}>
        To{' '}
        {m.account ? <Link to={`/accounts/${encodeURIComponent(m.account)}`}>{m.name}</Link> : 'people of the company'}
        {m.delivery === 'email' ? `, by e-mail to ${m.recipients}` : ', on paper'}
        {m.dueAt && view.tries > 0 ? `. It is tried again at ${moment(m.dueAt)}` : ''}
      </p>
      {bad && (
        <Alert
          type="error"
          showIcon
          title={m.state === 'failed' ? `It was not sent: ${m.detail}` : m.detail}
          style={{ marginBottom: 10 }}
        />
      )}
      {m.state === 'sent' && m.detail && (
        <Alert type="warning" showIcon title={m.detail} style={{ marginBottom: 10 }} />
      )}
      {m.delivery === 'email' && (
        <div className="message-text">
          <b>{view.subject}</b>
          <p>{view.body}</p>
        </div>
      )}
      <p className="row-gap">
        {view.files.length === 0 ? (
          <a href={`/api/outbox/${m.id}/pdf`} target="_blank" rel="noreferrer">
            Attachment (PDF)
          </a>
        ) : (
          view.files.map((f) => (
            <a key={f.id} href={`/api/outbox/${m.id}/files/${f.id}`}>
              {f.name}
            </a>
          ))
        )}
      </p>
      <Grid
        label="What happened to it"
        rows={view.steps}
        keyOf={(_, i) => i}
        columns={[
          { title: 'When', className: 'nowrap', cell: (s) => moment(s.at) },
          { title: 'State', className: 'nowrap', cell: (s) => messageStates[s.state] },
          { title: 'By', className: 'nowrap', cell: (s) => s.madeBy },
          { title: 'Details', className: 'small', cell: (s) => s.detail },
        ]}
      />
    </>
  );
}
