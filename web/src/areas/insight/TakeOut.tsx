import type { MailedReport } from '../../api/generated';
import { download, ExportMenu } from '../../table/ExportMenu';
import { useMailing } from './useMailing';

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
  const mailing = useMailing(report, query, what);
  const file = (format: string) => `${path}?${new URLSearchParams({ ...query, format }).toString()}`;
  return (
    <>
      <ExportMenu
        items={[
          download('csv', file('csv'), `${what}, as CSV`),
          download('xlsx', file('xlsx'), `${what}, as XLSX`),
          download('pdf', file('pdf'), `${what}, to print`),
          ...mailing.entries,
        ]}
      />
      {mailing.dialog}
    </>
  );
}
