import { useState } from 'react';
import { lazyDialog } from '../shell/lazily';
import { download, ExportMenu } from './ExportMenu';
import { formats } from './formats';

const ImportRecords = lazyDialog(() => import('./ImportRecords').then((m) => m.ImportRecords));

/** Exports all records of a kind, and imports them again from a file. */
export function Exchange({ kind, what }: { kind: string; what: string }) {
  const [importing, setImporting] = useState(false);
  return (
    <>
      <ExportMenu
        items={[
          ...formats.map((f) => download(f, `/api/exchange/${kind}?format=${f}`, `Export as ${f.toUpperCase()}`)),
          { type: 'divider' },
          { key: 'in', label: 'Import from a file', onClick: () => setImporting(true) },
        ]}
      >
        Export or import
      </ExportMenu>
      {importing && <ImportRecords kind={kind} what={what} onClose={() => setImporting(false)} />}
    </>
  );
}
