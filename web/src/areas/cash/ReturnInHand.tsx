import { useQueryClient } from '@tanstack/react-query';
import { Alert, App, Button, Input, Radio } from 'antd';
import { useState, type ReactNode } from 'react';
import { ofAccount, readAgain } from '../../api/changes';
import { returnReceipt, type ReturnedReceiptView, type StatementLineView } from '../../api/generated';
import { answer, asProblem, type Problem } from '../../api/problem';
import { plain } from '../../form/options';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { EffectPanel } from '../ledger';

/** A line that goes out: where it takes a receipt back, that receipt is reversed by it. */
export function ReturnInHand({
  line,
  receipts,
  onDone,
  children,
}: {
  line: StatementLineView;
  receipts: ReturnedReceiptView[];
  onDone: () => void;
  children?: ReactNode;
}) {
  const [posting, setPosting] = useState(receipts[0]?.posting);
  const [reason, setReason] = useState('');
  const [bankFee, setBankFee] = useState('');
  const [failed, setFailed] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const client = useQueryClient();
  const { message } = App.useApp();
  const once = useKey();
  const body = { posting: posting ?? 0, reason, bankFee: bankFee.trim() === '' ? null : plain(bankFee) };
  const of = receipts.find((r) => r.posting === posting);
  const { effect, problem, settled } = usePreview(of ? JSON.stringify(body) : null, () =>
    answer(returnReceipt({ path: { id: line.id }, query: { preview: true }, body })),
  );
  const go = async () => {
    if (!effect || !settled || !of || busy) return;
    setBusy(true);
    setFailed(null);
    try {
      await answer(returnReceipt({ path: { id: line.id }, body, headers: once }));
      void message.success(`${of.document} is reversed; its items are open again.`);
      await readAgain(client, ofAccount(of.account));
      onDone();
    } catch (e) {
      setFailed(asProblem(e));
    } finally {
      setBusy(false);
    }
  };
  useKeys({ Enter: () => void go() });
  if (receipts.length === 0)
    return (
      <>
        <p className="muted">
          No receipt of this amount came in on this bank account. If it takes back a receipt that was taken by hand,
          reverse that on its account and put this line aside; a payment of your own is put aside.
        </p>
        <div className="actions in-hand-actions">{children}</div>
      </>
    );
  return (
    <>
      <h3 style={{ marginTop: 12 }}>The receipt it takes back</h3>
      <Radio.Group
        aria-label="The receipt it takes back"
        value={posting}
        onChange={(e) => setPosting(e.target.value as number)}
        style={{ display: 'grid', gap: 4 }}
        options={receipts.map((r) => ({
          value: r.posting,
          label: `${r.document} of ${r.accountName}, ${money(r.amount)}, value ${day(r.valueDate)}: ${r.why}`,
        }))}
      />
      <div className="row-gap" style={{ margin: '10px 0', flexWrap: 'nowrap' }}>
        <Input
          aria-label="Reason"
          placeholder="Reason; left empty, what the bank says"
          value={reason}
          maxLength={500}
          onChange={(e) => setReason(e.target.value)}
          onPressEnter={() => void go()}
        />
        <Input
          aria-label="Bank’s fee to charge on"
          placeholder="Bank’s fee to charge on"
          className="figure"
          inputMode="decimal"
          value={bankFee}
          style={{ width: 220 }}
          onChange={(e) => setBankFee(e.target.value)}
          onPressEnter={() => void go()}
        />
      </div>
      {(problem ?? failed) && (
        <Alert style={{ margin: '8px 0' }} type="error" showIcon title={(failed ?? problem)?.detail} />
      )}
      {effect && <EffectPanel effect={effect} />}
      <div className="actions in-hand-actions">
        <Button type="primary" disabled={!effect || !settled} loading={busy} onClick={() => void go()}>
          Reverse it and next <kbd>Enter</kbd>
        </Button>
        {children}
      </div>
    </>
  );
}
