import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { ofMessages } from '../../api/changes';
import { markPrinted } from '../../api/generated';
import { listMessagesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { Dialog } from '../../form/Dialog';
import { useAct } from '../../form/useAct';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { purposes } from '../../words/messages';

// As many as one file holds.
const most = 500;

/** Everything that waits to be printed as one file, and then the word that it was printed. */
export function PrintAll({ onClose }: { onClose: () => void }) {
  const query = useQuery(listMessagesOptions({ query: { state: 'print', pageSize: most } }));
  const act = useAct(ofMessages());
  const [busy, setBusy] = useState(false);
  const [opened, setOpened] = useState(false);
  const mark = async (messages: number[]) => {
    setBusy(true);
    const once = { 'Idempotency-Key': crypto.randomUUID() };
    const done = await act(
      () => answer(markPrinted({ body: { messages }, headers: once })),
      `${messages.length} marked as printed.`,
    );
    setBusy(false);
    if (done) onClose();
  };
  return (
    <Dialog title="Print what waits" width={640} onClose={onClose}>
      <Loaded query={query} what="what waits to be printed" lines={5}>
        {({ items }) => (
          <>
            <p className="muted" style={{ marginTop: 0 }}>
              All of them open as one PDF. Mark them once they are printed: each is then kept as it was printed, and
              noted in its account’s log.
            </p>
            <div className="card scrolled" style={{ maxHeight: 320 }}>
              <Grid
                label="To print"
                rows={items}
                keyOf={(m) => m.id}
                empty="Nothing waits to be printed."
                columns={[
                  { title: 'What', className: 'strong nowrap', cell: (m) => `${purposes[m.purpose]} ${m.number}` },
                  { title: 'Customer', cell: (m) => m.name },
                ]}
              />
            </div>
            <div className="row-between" style={{ marginTop: 12 }}>
              <Button
                type={opened ? 'default' : 'primary'}
                href="/api/outbox/to-print.pdf"
                target="_blank"
                disabled={items.length === 0}
                onClick={() => setOpened(true)}
              >
                Open the PDF
              </Button>
              <Button
                type={opened ? 'primary' : 'default'}
                loading={busy}
                disabled={items.length === 0}
                onClick={() => void mark(items.map((m) => m.id))}
              >
                Mark {items.length} as printed
              </Button>
            </div>
          </>
        )}
      </Loaded>
    </Dialog>
  );
}
