import { useQueryClient } from '@tanstack/react-query';
import { App, Button, Input } from 'antd';
import { useRef, useState } from 'react';
import { ofAccounts, readAgain } from '../../api/changes';
import type { ReceivedDocumentView } from '../../api/generated';
import { asProblem } from '../../api/problem';
import { upload } from '../../api/upload';
import { Dialog } from '../../form/Dialog';
import { FilePick } from '../../form/FilePick';
import { day } from '../../format/dates';
import { grouped, money } from '../../format/money';
import { Grid } from '../../table/Grid';
import { CheckAnswerBadge } from '../checks';
import { goesNext, type Looked } from './received';

/** So many files are looked at together; a folder of more goes through the command line. */
const mostFiles = 200;

/**
 * Brings in electronic invoices and credit notes that another system wrote. Each is looked at first: whose it is, when it is
 * due, what the check says, and what is wrong with it.
 */
export function ReadDocuments({ onClose }: { onClose: () => void }) {
  const [looked, setLooked] = useState<Looked[]>([]);
  const [reason, setReason] = useState('');
  const [working, setWorking] = useState('');
  const stopped = useRef(false);
  const { message } = App.useApp();
  const client = useQueryClient();

  const one = async (file: File, preview: boolean): Promise<Looked> => {
    const query = new URLSearchParams({ preview: String(preview), reason });
    try {
      return { file, view: await upload<ReceivedDocumentView>(`/api/documents/file?${query.toString()}`, file) };
    } catch (e) {
      return { file, problem: asProblem(e).detail };
    }
  };
  const each = async (files: File[], preview: boolean, told: (l: Looked) => void) => {
    stopped.current = false;
    for (const [i, file] of files.entries()) {
      if (stopped.current) break;
      setWorking(`${i + 1} of ${files.length}`);
      told(await one(file, preview));
    }
    setWorking('');
  };
  const look = async (files: File[]) => {
    setLooked([]);
    await each(files.slice(0, mostFiles), true, (l) => setLooked((before) => [...before, l]));
    if (files.length > mostFiles)
      void message.warning(`The first ${mostFiles} files are shown; take the rest afterwards.`);
  };
  const good = looked.filter((l) => goesNext(l, reason));
  const asks = looked.some((l) => l.view?.needsReason);
  const take = async () => {
    let stored = 0;
    await each(
      good.map((l) => l.file),
      false,
      (l) => {
        if (l.view) stored++;
        setLooked((before) => before.map((b) => (b.file === l.file ? { ...l, stored: l.view !== undefined } : b)));
      },
    );
    // A credit note of an invoice that came with it can be stored now.
    const left = looked.filter((l) => !l.stored && !good.includes(l)).map((l) => l.file);
    await each(left, true, (l) => setLooked((before) => before.map((b) => (b.file === l.file ? l : b))));
    await readAgain(client, ofAccounts);
    void message.success(`${stored} ${stored === 1 ? 'document is' : 'documents are'} stored.`);
  };

  return (
    <Dialog title="Read electronic invoices" width={940} high onClose={onClose}>
      <p className="muted" style={{ marginTop: 0 }}>
        UBL 2.1 invoices and credit notes (EN 16931), one to a file. The buyer is found by the account’s code, a tax
        identifier or the exact name. Nothing is stored before it was shown.
      </p>
      <FilePick
        label="Electronic invoices"
        focus
        accept=".xml,application/xml,text/xml"
        disabled={working !== ''}
        onPickAll={(files) => void look(files)}
      >
        Choose the files
      </FilePick>{' '}
      {working !== '' && (
        <span role="status">
          {working} <Button onClick={() => (stopped.current = true)}>Stop</Button>
        </span>
      )}
      {looked.length > 0 && (
        <div className="card scrolled" style={{ marginTop: 12 }} role="region" aria-label="Documents" tabIndex={0}>
          <Grid
            label="Documents of the files"
            rows={looked}
            keyOf={(_, i) => i}
            columns={[
              {
                title: 'Document',
                className: 'nowrap',
                cell: ({ view, file }) => (
                  <>
                    <span className="strong">{view?.document.number ?? file.name}</span>
                    {view && (
                      <div className="small muted">
                        {view.document.kind === 'creditNote' ? 'credit note' : 'invoice'}
                      </div>
                    )}
                  </>
                ),
              },
              { title: 'Account', cell: ({ view }) => view?.document.account ?? '—' },
              { title: 'Date', className: 'nowrap', cell: ({ view }) => day(view?.document.date ?? '') },
              { title: 'Due', className: 'nowrap', cell: ({ view }) => day(view?.document.due ?? '') },
              { title: 'Tax', figure: true, cell: ({ view }) => money(view?.document.tax) },
              { title: 'Total', figure: true, cell: ({ view }) => money(view?.document.gross) },
              { title: 'Check', cell: (l) => <Outcome looked={l} /> },
              {
                title: 'Why',
                className: 'small',
                cell: ({ view, problem }) =>
                  problem ??
                  [
                    ...(view?.document.problems ?? []),
                    ...(view?.document.findings.map((f) => grouped(f.text)) ?? []),
                    ...(view?.effect?.check?.findings.map((f) => grouped(f.text)) ?? []),
                  ].join(' · '),
              },
            ]}
          />
        </div>
      )}
      {asks && (
        <Input
          aria-label="Why those go on that the check asks about"
          placeholder="Why those go on that the check asks about"
          value={reason}
          maxLength={500}
          style={{ marginTop: 10 }}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
      {good.length > 0 && (
        <Button type="primary" autoFocus loading={working !== ''} style={{ marginTop: 10 }} onClick={() => void take()}>
          Store {good.length === 1 ? 'the document' : `${good.length} documents`}
        </Button>
      )}
    </Dialog>
  );
}

function Outcome({ looked: { view, stored } }: { looked: Looked }) {
  if (stored) return <span className="good">stored</span>;
  if (!view?.effect) return <span className="answer refuse">refused</span>;
  return view.effect.check ? <CheckAnswerBadge answer={view.effect.check.answer} /> : <span className="muted">—</span>;
}
