import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Pagination, Segmented } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import type { DocumentLinePage, DocumentPage } from '../../api/generated';
import { listDocumentLinesOptions, listDocumentsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { PeriodInput } from '../../form/PeriodInput';
import { day, iso } from '../../format/dates';
import { money, moneyOrDash } from '../../format/money';
import { lazyDialog } from '../../shell/lazily';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { download, ExportMenu } from '../../table/ExportMenu';
import { Grid } from '../../table/Grid';
import { SendDocument } from '../outbox';
import type { Invoiced } from './WriteInvoice';

const WriteAgain = lazyDialog(() => import('./WriteAgain').then((m) => m.WriteAgain));
const AmendInvoice = lazyDialog(() => import('./AmendInvoice').then((m) => m.AmendInvoice));

const pageSize = 100;

/** Invoices and credit notes of an account in a period, by document or by line; both add up to the same. */
export function History({ account, today }: { account: Invoiced; today: string }) {
  const { code } = account;
  const [by, setBy] = useState<'document' | 'line'>('document');
  const [period, setPeriod] = useState<[Dayjs, Dayjs]>([dayjs(today).subtract(1, 'year').add(1, 'day'), dayjs(today)]);
  const [page, setPage] = useState(1);
  const may = useMay();
  const [sending, setSending] = useState<{ id: number; number: string } | null>(null);
  const [again, setAgain] = useState<number | null>(null);
  const [amending, setAmending] = useState<number | null>(null);
  const query = { from: iso(period[0]), to: iso(period[1]), page, pageSize };
  const documents = useQuery({
    ...listDocumentsOptions({ path: { code }, query }),
    enabled: by === 'document',
    placeholderData: keepPreviousData,
  });
  const lines = useQuery({
    ...listDocumentLinesOptions({ path: { code }, query }),
    enabled: by === 'line',
    placeholderData: keepPreviousData,
  });
  const file = (format: string) =>
    `/api/accounts/${encodeURIComponent(code)}/document-export?format=${format}&by=${by}&from=${query.from}&to=${query.to}`;
  return (
    <>
      <div className="row-between pad">
        <span className="row-gap">
          <Segmented<'document' | 'line'>
            size="small"
            aria-label="History"
            value={by}
            options={[
              { value: 'document', label: 'By document' },
              { value: 'line', label: 'By line' },
            ]}
            onChange={(next) => {
              setBy(next);
              setPage(1);
            }}
          />
          <PeriodInput
            size="small"
            aria-label="Period"
            value={period}
            onChange={(next) => {
              setPeriod([next[0], next[1]]);
              setPage(1);
            }}
          />
        </span>
        <ExportMenu items={['csv', 'xlsx'].map((f) => download(f, file(f), `This period, as ${f.toUpperCase()}`))} />
      </div>
      {by === 'document' ? (
        <Loaded query={documents} what="the documents">
          {(found) => (
            <>
              <Grid
                label="Documents"
                rows={found.items}
                keyOf={(d) => d.id}
                empty="No invoice or credit note in this period. Write one with V or E."
                columns={[
                  { title: 'Date', className: 'nowrap', cell: (d) => day(d.date) },
                  { title: 'Document', className: 'strong nowrap', cell: (d) => d.number },
                  {
                    title: 'What',
                    className: 'nowrap',
                    cell: (d) => (
                      <>
                        {d.kind === 'invoice' ? 'Invoice' : `Credit note${d.credits ? ` of ${d.credits}` : ''}`}
                        {d.amendedOn && <span className="muted small"> · amended {day(d.amendedOn)}</span>}
                      </>
                    ),
                  },
                  { title: 'Reference', className: 'muted small', cell: (d) => d.reference },
                  { title: 'Net', figure: true, cell: (d) => money(d.net) },
                  { title: 'Tax', figure: true, cell: (d) => moneyOrDash(d.tax) },
                  { title: 'Gross', figure: true, cell: (d) => money(d.gross) },
                  { title: 'Still open', figure: true, cell: (d) => moneyOrDash(d.open) },
                  may('controller') && {
                    hidden: 'Actions',
                    figure: true,
                    className: 'nowrap',
                    cell: (d) => (
                      <>
                        {d.canAmend && (
                          <Button
                            size="small"
                            type="text"
                            aria-label={`Amend ${d.number}`}
                            onClick={() => setAmending(d.id)}
                          >
                            Amend
                          </Button>
                        )}
                        {d.canWriteAgain && (
                          <Button
                            size="small"
                            type="text"
                            aria-label={`Write ${d.number} again`}
                            onClick={() => setAgain(d.id)}
                          >
                            Write again
                          </Button>
                        )}
                        <Button
                          size="small"
                          type="text"
                          aria-label={`Send ${d.number}`}
                          onClick={() => setSending({ id: d.id, number: d.number })}
                        >
                          Send
                        </Button>
                      </>
                    ),
                  },
                  { hidden: 'Print', figure: true, cell: (d) => <Print id={d.id} number={d.number} /> },
                ]}
              />
              <Foot found={found} page={page} onPage={setPage} />
            </>
          )}
        </Loaded>
      ) : (
        <Loaded query={lines} what="the lines">
          {(found) => (
            <>
              <Grid
                label="Lines"
                rows={found.items}
                keyOf={(_, i) => i}
                empty="No invoice or credit note in this period."
                columns={[
                  { title: 'Date', className: 'nowrap', cell: (l) => day(l.date) },
                  { title: 'Document', className: 'strong nowrap', cell: (l) => l.number },
                  { title: 'What', cell: (l) => l.text || <span className="muted">totals alone</span> },
                  { title: 'Quantity', figure: true, cell: (l) => l.quantity },
                  { title: 'Unit price', figure: true, cell: (l) => l.unitPrice },
                  { title: 'Tax code', className: 'nowrap', cell: (l) => l.taxCode },
                  { title: 'Net', figure: true, cell: (l) => moneyOrDash(l.net) },
                  { title: 'Tax', figure: true, cell: (l) => moneyOrDash(l.tax) },
                  { title: 'Gross', figure: true, cell: (l) => money(l.gross) },
                ]}
              />
              <Foot found={found} page={page} onPage={setPage} />
            </>
          )}
        </Loaded>
      )}
      {sending && (
        <SendDocument
          what={{ document: sending.id }}
          title={sending.number}
          account={code}
          onClose={() => setSending(null)}
        />
      )}
      {again !== null && <WriteAgain id={again} account={account} today={today} onClose={() => setAgain(null)} />}
      {amending !== null && (
        <AmendInvoice
          id={amending}
          code={code}
          currency={account.currency}
          today={today}
          onClose={() => setAmending(null)}
        />
      )}
    </>
  );
}

const Print = ({ id, number }: { id: number; number: string }) => (
  <a href={`/api/documents/${id}/pdf`} target="_blank" rel="noreferrer" aria-label={`Print ${number}`}>
    Print
  </a>
);

/** What all of the period add up to, and the way through its pages. */
const Foot = ({
  found,
  page,
  onPage,
}: {
  found: DocumentPage | DocumentLinePage;
  page: number;
  onPage: (page: number) => void;
}) =>
  found.total > 0 && (
    <div className="row-between pad">
      <span data-testid="history-sums">
        All {found.total} of the period: net <b className="figure">{money(found.net)}</b>, tax{' '}
        <b className="figure">{money(found.tax)}</b>, gross <b className="figure">{money(found.gross)}</b>
      </span>
      {found.total > pageSize && (
        <Pagination
          size="small"
          current={page}
          pageSize={pageSize}
          total={found.total}
          showSizeChanger={false}
          onChange={onPage}
        />
      )}
    </div>
  );
