import { Alert, App, Button, Input, Radio } from 'antd';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { ofAccounts, readAgain } from '../../api/changes';
import { clearBankEntry, type InTransitView, type StatementLineView } from '../../api/generated';
import { answer, asProblem, type Problem } from '../../api/problem';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { grouped, money } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { JournalTable } from '../ledger';

interface Props {
  line: StatementLineView;
  /** What it may settle, the likeliest first. */
  inTransit: InTransitView[];
  onDone: () => void;
  children?: ReactNode;
}

/** A line that settles what was in transit: a refund that the bank paid, or a slip that it credited. */
export function SettlesTransit({ line, inTransit, onDone, children }: Props) {
  const keyOf = (t: InTransitView) => `${t.isSlip ? 'slip' : 'refund'} ${t.id}`;
  const [chosen, setChosen] = useState(inTransit[0] ? keyOf(inTransit[0]) : '');
  const [reason, setReason] = useState('');
  const [failed, setFailed] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const client = useQueryClient();
  const { message } = App.useApp();
  const once = useKey();
  const of = inTransit.find((t) => keyOf(t) === chosen);
  const body = { refund: of && !of.isSlip ? of.id : null, slip: of?.isSlip ? of.id : null, reason };
  const { effect, problem, settled } = usePreview(of ? JSON.stringify(body) : null, () =>
    answer(clearBankEntry({ path: { id: line.id }, query: { preview: true }, body })),
  );
  const go = async () => {
    if (!effect || !settled || !of || busy) return;
    setBusy(true);
    setFailed(null);
    try {
      await answer(clearBankEntry({ path: { id: line.id }, body, headers: once }));
      void message.success(`${of.number} is settled.`);
      await readAgain(client, ofAccounts);
      onDone();
    } catch (e) {
      setFailed(asProblem(e));
    } finally {
      setBusy(false);
    }
  };
  useKeys({ Enter: () => void go() });
  const differs = of && of.amount.replace('-', '') !== line.amount.replace('-', '');
  return (
    <>
      <h3 style={{ marginTop: 12 }}>What it settles</h3>
      <Radio.Group
        aria-label="What it settles"
        value={chosen}
        onChange={(e) => setChosen(e.target.value as string)}
        style={{ display: 'grid', gap: 4 }}
        options={inTransit.map((t) => ({
          value: keyOf(t),
          label: t.isSlip
            ? `Slip ${t.number}, ${t.with}: ${money(t.amount)}`
            : `Refund ${t.number} to ${t.with}: ${money(t.amount)}`,
        }))}
      />
      {differs && (
        <Input
          aria-label="Where the difference comes from"
          placeholder="Where the difference comes from"
          value={reason}
          maxLength={500}
          style={{ margin: '10px 0' }}
          onChange={(e) => setReason(e.target.value)}
          onPressEnter={() => void go()}
        />
      )}
      {differs && reason.trim() === '' ? (
        <p className="muted">
          The bank booked {money(line.amount)}. Say where the difference comes from; it goes to small differences.
        </p>
      ) : (problem ?? failed) ? (
        <Alert style={{ margin: '8px 0' }} type="error" showIcon title={grouped((failed ?? problem)?.detail ?? '')} />
      ) : null}
      {effect && <JournalTable lines={effect.journal} />}
      <div className="actions in-hand-actions">
        <Button type="primary" disabled={!effect || !settled} loading={busy} onClick={() => void go()}>
          Settle it and next <kbd>Enter</kbd>
        </Button>
        {children}
      </div>
    </>
  );
}
