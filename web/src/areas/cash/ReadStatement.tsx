import { useQueryClient } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { useState } from 'react';
import { ofAccounts, readAgain } from '../../api/changes';
import type { TakenStatementView } from '../../api/generated';
import { asProblem, type Problem } from '../../api/problem';
import { upload } from '../../api/upload';
import { Dialog } from '../../form/Dialog';
import { FilePick } from '../../form/FilePick';
import { ProblemNote } from '../../form/ProblemNote';
import { money } from '../../format/money';
import { Grid } from '../../table/Grid';

/** Brings in a file of bank statements: what it holds is shown before it is stored. */
export function ReadStatement({ onClose, onDone }: { onClose: () => void; onDone: (id: number | null) => void }) {
  const [file, setFile] = useState<File | null>(null);
  const [looked, setLooked] = useState<TakenStatementView[] | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const { message } = App.useApp();
  const client = useQueryClient();
  const send = async (of: File, preview: boolean) => {
    setProblem(null);
    setBusy(true);
    try {
      const got = await upload<TakenStatementView[]>(`/api/bank/statements?preview=${preview}`, of);
      setLooked(got);
      if (!preview && got.every((s) => s.problems.length === 0)) {
        void message.success('The statement is stored. Nothing is posted yet.');
        await readAgain(client, ofAccounts);
        onDone(got[0]?.statementId ?? null);
      }
    } catch (e) {
      setLooked(null);
      setProblem(asProblem(e));
    } finally {
      setBusy(false);
    }
  };
  const good = looked?.every((s) => s.problems.length === 0);
  return (
    <Dialog title="Read a bank statement" width={760} onClose={onClose}>
      <ProblemNote problem={problem} />
      <p className="muted" style={{ marginTop: 0 }}>
        A camt.053 file (version 02 to 08) as your bank gives it. It is stored whole or not at all, and nothing is
        posted by reading it.
      </p>
      <FilePick
        label="File of bank statements"
        focus
        accept=".xml,application/xml,text/xml"
        disabled={busy}
        onPick={(chosen) => {
          setFile(chosen);
          void send(chosen, true);
        }}
      >
        Choose the file
      </FilePick>
      {looked && file && (
        <>
          <div className="card scrolled" style={{ marginTop: 12 }}>
            <Grid
              label="Statements of the file"
              rows={looked}
              keyOf={(s) => `${s.account} ${s.statement}`}
              columns={[
                { title: 'Statement', className: 'strong', cell: (s) => s.statement },
                { title: 'Bank account', cell: (s) => s.account },
                { title: 'Opening', figure: true, cell: (s) => money(s.opening) },
                { title: 'Closing', figure: true, cell: (s) => `${money(s.closing)} ${s.currency}` },
                { title: 'Lines', figure: true, cell: (s) => s.lines },
                { title: 'Certain', figure: true, cell: (s) => s.certain },
                {
                  title: 'Refused because',
                  className: 'small',
                  cell: (s) => <span className="alarm">{s.problems.join(' ')}</span>,
                },
              ]}
            />
          </div>
          {good && (
            <Button
              type="primary"
              autoFocus
              loading={busy}
              style={{ marginTop: 10 }}
              onClick={() => void send(file, false)}
            >
              Store {looked.length === 1 ? 'the statement' : `the ${looked.length} statements`}
            </Button>
          )}
        </>
      )}
    </Dialog>
  );
}
