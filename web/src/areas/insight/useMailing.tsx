import { useState } from 'react';
import type { MailedReport } from '../../api/generated';
import { lazyDialog } from '../../shell/lazily';
import { useMay } from '../../shell/session';

const MailView = lazyDialog(() => import('./MailView').then((m) => m.MailView));

/** What lets a view go out by e-mail on a schedule, for those who may: an entry of its menu, and its dialog. */
export function useMailing(report: MailedReport, query: Record<string, string>, what: string) {
  const may = useMay();
  const [open, setOpen] = useState(false);
  const entries = may('manager')
    ? [{ key: 'mail', label: `${what}, by e-mail on a schedule …`, onClick: () => setOpen(true) }]
    : [];
  return { entries, dialog: open && <MailView report={report} query={query} onClose={() => setOpen(false)} /> };
}
