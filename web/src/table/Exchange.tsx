import { useQueryClient } from '@tanstack/react-query';
import { Alert, App, Button, Checkbox, Dropdown, Modal } from 'antd';
import { useState } from 'react';
import { upload } from '../api/upload';
import { asProblem, type Problem } from '../api/problem';
import type { ExchangeResult } from '../api/generated';

const formats = ['csv', 'xlsx', 'json'];

/** Exports all records of a kind, and brings them in again from a file. */
export function Exchange({ kind, what }: { kind: string; what: string }) {
  const [bringing, setBringing] = useState(false);
  return (
    <>
      <Dropdown
        menu={{
          items: [
            ...formats.map((f) => ({
              key: f,
              label: <a href={`/api/exchange/${kind}?format=${f}`}>Export as {f.toUpperCase()}</a>,
            })),
            { type: 'divider' as const },
            { key: 'in', label: 'Bring in from a file', onClick: () => setBringing(true) },
          ],
        }}
        trigger={['click']}
      >
        <Button>Export or bring in</Button>
      </Dropdown>
      {bringing && <BringIn kind={kind} what={what} onClose={() => setBringing(false)} />}
    </>
  );
}

const outcomes: Record<string, string> = { new: 'new', changed: 'changed', refused: 'refused' };

export function BringIn({ kind, what, onClose }: { kind: string; what: string; onClose: () => void }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const [file, setFile] = useState<File | null>(null);
  const [result, setResult] = useState<ExchangeResult | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [acceptGood, setAcceptGood] = useState(false);
  const [busy, setBusy] = useState(false);
  // A file is sent as it is, which the generated client has no way for.
  const send = async (from: File, preview: boolean) => {
    setBusy(true);
    setProblem(null);
    const format = formats.find((f) => from.name.toLowerCase().endsWith(`.${f}`)) ?? 'csv';
    try {
      const query = new URLSearchParams({ format, preview: String(preview), acceptGood: String(acceptGood) });
      const body = await upload<ExchangeResult>(`/api/exchange/${kind}?${query.toString()}`, from);
      setResult(body);
      return body;
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
    await client.invalidateQueries();
    void message.success(`${done.new} new and ${done.changed} changed ${what} are stored.`);
    onClose();
  };
  const stores = result && result.new + result.changed > 0 && (result.refused === 0 || acceptGood);
  return (
    <Modal title={`Bring in ${what}`} open onCancel={onClose} footer={null} width={820} style={{ top: 40 }}>
      <p className="muted" style={{ marginTop: 0 }}>
        CSV, XLSX or JSON with the columns as they are exported. A code that is known is changed, another is new; an
        empty cell clears, a column that is missing leaves as it is.
      </p>
      <input
        type="file"
        aria-label="File to bring in"
        accept=".csv,.xlsx,.json"
        onChange={(e) => {
          const chosen = e.target.files?.[0] ?? null;
          setFile(chosen);
          if (chosen) void send(chosen, true);
        }}
      />
      {problem && (
        <Alert type="error" showIcon style={{ marginTop: 10 }} title={problem.title} description={problem.detail} />
      )}
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
          {result.rows.length > 0 && (
            <div
              className="card"
              style={{ maxHeight: 320, overflow: 'auto' }}
              role="region"
              aria-label="Rows of the file"
              tabIndex={0}
            >
              <table className="grid" aria-label="What the file does">
                <thead>
                  <tr>
                    <th className="figure">Row</th>
                    <th>Code</th>
                    <th>Is</th>
                    <th>What</th>
                  </tr>
                </thead>
                <tbody>
                  {result.rows.map((row) => (
                    <tr key={row.row} className="top">
                      <td className="figure">{row.row}</td>
                      <td className="nowrap">
                        <span className="strong">{row.code}</span>{' '}
                        {row.name !== row.code && <div className="small">{row.name}</div>}
                      </td>
                      <td className={row.outcome === 'refused' ? 'alarm' : ''}>
                        {outcomes[row.outcome] ?? row.outcome}
                      </td>
                      <td className="small">
                        {row.problems.map((p) => (
                          <div key={p.field + p.message}>
                            {p.field && <b>{p.field}: </b>}
                            {p.message}
                          </div>
                        ))}
                        {row.changes.slice(0, 8).map((c) => (
                          <div key={c.what}>
                            {c.what}: {c.before && <s className="muted">{c.before}</s>} {c.after ?? 'none'}
                          </div>
                        ))}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )}
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
    </Modal>
  );
}
