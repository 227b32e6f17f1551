import { useState } from 'react';
import type { MailedReport } from '../../api/generated';
import { lazyDialog } from '../../shell/lazily';
import { useMay } from '../../shell/session';
import { download, ExportMenu } from '../../table/ExportMenu';

const MailView = lazyDialog(() => import('./MailView').then((m) => m.MailView));

/** A view as a file now, or by e-mail on a schedule. */
export function TakeOut({
  what,
  path,
  query,
  report,
}: {
  /** What it is called, such as "This ageing". */
  what: string;
  path: string;
  /** How the view is asked for. */
  query: Record<string, string>;
  report: MailedReport;
}) {
  const may = useMay();
  const [mailing, setMailing] = useState(false);
  const file = (format: string) => `${path}?${new URLSearchParams({ ...query, format }).toString()}`;
  return (
    <>
      <ExportMenu
        items={[
          download('csv', file('csv'), `${what}, as CSV`),
          download('xlsx', file('xlsx'), `${what}, as XLSX`),
          download('pdf', file('pdf'), `${what}, to print`),
          ...(may('manager')
            ? [{ key: 'mail', label: `${what}, by e-mail on a schedule …`, onClick: () => setMailing(true) }]
            : []),
        ]}
      />
      {mailing && <MailView report={report} query={query} onClose={() => setMailing(false)} />}
    </>
  );
}
