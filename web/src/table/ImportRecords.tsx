import { useQueryClient } from '@tanstack/react-query';
import { App, Button, Checkbox } from 'antd';
import { useState } from 'react';
import { ofCompany, readAgain } from '../api/changes';
import type { ExchangeResult } from '../api/generated';
import { asProblem, type Problem } from '../api/problem';
import { upload } from '../api/upload';
import { Dialog } from '../form/Dialog';
import { FilePick } from '../form/FilePick';
import { ProblemNote } from '../form/ProblemNote';
import { formatOf, formats } from './formats';
import { ImportedRows } from './ImportedRows';

/** Imports records of a kind: what each row of the file does is shown before anything is stored. */
export function ImportRecords({ kind, what, onClose }: { kind: string; what: string; onClose: () => void }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const [file, setFile] = useState<File | null>(null);
  const [result, setResult] = useState<ExchangeResult | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [acceptGood, setAcceptGood] = useState(false);
  const [busy, setBusy] = useState(false);
  const send = async (from: File, preview: boolean) => {
    setBusy(true);
    setProblem(null);
    try {
      const query = new URLSearchParams({
        format: formatOf(from.name),
        preview: String(preview),
        acceptGood: String(acceptGood),
      });
      const answered = await upload<ExchangeResult>(`/api/exchange/${kind}?${query.toString()}`, from);
      setResult(answered);
      return answered;
    } catch (e) {
      setProblem(asProblem(e));
      setResult(null);
      return null;
    } finally {
      setBusy(false);
    }
  };
  const store = async () => {
    const done = file && (await send(file, false));
    if (!done?.stored) return;
    // Whatever kind it was, everything that is computed may rest on it.
    await readAgain(client, ofCompany);
    void message.success(`${done.new} new and ${done.changed} changed ${what} are stored.`);
    onClose();
  };
  const stores = result && result.new + result.changed > 0 && (result.refused === 0 || acceptGood);
  return (
    <Dialog title={`Import ${what}`} width={820} high onClose={onClose}>
      <p className="muted" style={{ marginTop: 0 }}>
        CSV, XLSX or JSON with the columns as they are exported. A code that is known is changed, another is new; an
        empty cell clears, a column that is missing leaves as it is.
      </p>
      <FilePick
        label="File to import"
        accept={formats.map((f) => `.${f}`).join(',')}
        onPick={(chosen) => {
          setFile(chosen);
          void send(chosen, true);
        }}
      >
        Choose the file
      </FilePick>{' '}
      {file && <span className="muted">{file.name}</span>}
      <div style={{ marginTop: 10 }}>
        <ProblemNote problem={problem} />
      </div>
      {result && (
        <>
          <p>
            <b>{result.new}</b> new, <b>{result.changed}</b> changed, {result.same} the same
            {result.refused > 0 && (
              <>
                , <b className="alarm">{result.refused} refused</b>
              </>
            )}
            .
          </p>
          {result.rows.length > 0 && <ImportedRows rows={result.rows} />}
          {result.refused > 0 && (
            <Checkbox checked={acceptGood} onChange={(e) => setAcceptGood(e.target.checked)} style={{ marginTop: 10 }}>
              Store the good rows and leave the refused ones
            </Checkbox>
          )}
          <div style={{ marginTop: 12 }}>
            <Button type="primary" loading={busy} disabled={!stores} onClick={() => void store()}>
              Store them
            </Button>
          </div>
        </>
      )}
    </Dialog>
  );
}
