import { useQueryClient } from '@tanstack/react-query';
import { App, Button, Segmented } from 'antd';
import { useState } from 'react';
import { ofAccounts, readAgain } from '../../api/changes';
import type { OrderFileResult } from '../../api/generated';
import { asProblem, type Problem } from '../../api/problem';
import { upload } from '../../api/upload';
import { Dialog } from '../../form/Dialog';
import { FilePick } from '../../form/FilePick';
import { ProblemNote } from '../../form/ProblemNote';
import { grouped } from '../../format/money';
import { Grid } from '../../table/Grid';
import { CheckAnswerBadge } from '../checks';

/** Imports orders from a file: each is checked and shown before anything is stored. */
export function OrderFile({ onClose }: { onClose: () => void }) {
  const [format, setFormat] = useState<'csv' | 'ubl'>('csv');
  const [file, setFile] = useState<File | null>(null);
  const [result, setResult] = useState<OrderFileResult | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const { message } = App.useApp();
  const client = useQueryClient();
  const send = async (of: File, preview: boolean, acceptGood = false) => {
    setProblem(null);
    setBusy(true);
    try {
      const query = new URLSearchParams({ format, preview: String(preview), acceptGood: String(acceptGood) });
      const got = await upload<OrderFileResult>(`/api/orders/file?${query.toString()}`, of);
      setResult(got);
      if (got.stored) {
        void message.success(`${got.approved} approved, ${got.held} held.`);
        await readAgain(client, ofAccounts);
        onClose();
      }
    } catch (e) {
      setResult(null);
      setProblem(asProblem(e));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Dialog title="Import orders" width={760} onClose={onClose}>
      <ProblemNote problem={problem} />
      <p className="muted" style={{ marginTop: 0 }}>
        CSV with account, number, date, amount and where known currency, delivery, reference; rows of one number are its
        deliveries. Or one UBL 2.1 order.
      </p>
      <Segmented<'csv' | 'ubl'>
        value={format}
        onChange={(v) => {
          setFormat(v);
          setResult(null);
        }}
        options={[
          { value: 'csv', label: 'CSV' },
          { value: 'ubl', label: 'UBL order' },
        ]}
      />{' '}
      <FilePick
        label="File of orders"
        focus
        accept={format === 'csv' ? '.csv,text/csv' : '.xml,application/xml'}
        onPick={(chosen) => {
          setFile(chosen);
          void send(chosen, true);
        }}
      >
        Choose the file
      </FilePick>
      {result && file && (
        <>
          <p>
            {file.name}: {result.approved} would be approved, {result.held} held, {result.refused} refused.
          </p>
          <div className="card scrolled" role="region" aria-label="Orders of the file" tabIndex={0}>
            <Grid
              label="Orders of the file"
              rows={result.rows}
              keyOf={(_, i) => i}
              columns={[
                { title: 'Row', figure: true, cell: (r) => r.row },
                { title: 'Order', className: 'strong', cell: (r) => r.number },
                { title: 'Account', cell: (r) => r.account },
                {
                  title: 'Answer',
                  cell: (r) =>
                    r.check ? (
                      <CheckAnswerBadge answer={r.check.answer} />
                    ) : (
                      <span className="answer refuse">refused</span>
                    ),
                },
                {
                  title: 'Why',
                  className: 'small',
                  cell: (r) => (
                    <>
                      {r.problems.map((p) => `${p.field ? `${p.field}: ` : ''}${p.message}`).join(' ')}
                      {r.check?.findings.map((f) => grouped(f.text)).join(' · ')}
                    </>
                  ),
                },
              ]}
            />
          </div>
          {result.approved + result.held > 0 && (
            <Button
              type="primary"
              loading={busy}
              style={{ marginTop: 10 }}
              onClick={() => void send(file, false, true)}
            >
              {result.refused > 0 ? 'Take the good ones' : 'Take them'}
            </Button>
          )}
        </>
      )}
    </Dialog>
  );
}
