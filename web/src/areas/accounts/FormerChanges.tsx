import { useQuery } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { undoChangeOfMany } from '../../api/generated';
import { listChangesOfManyOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { moment } from '../../format/dates';
import { Grid } from '../../table/Grid';
import type { useSend } from '../../form/useSend';

/** Changes of many accounts made before, each of which can be undone. */
export function FormerChanges({ sending }: { sending: ReturnType<typeof useSend> }) {
  const made = useQuery(listChangesOfManyOptions());
  const { message } = App.useApp();
  const undo = async (id: number) => {
    const done = await sending.send(() => answer(undoChangeOfMany({ path: { id } })));
    if (!done) return;
    const left = done.left.length > 0 ? ` ${done.left.length} were changed since and stay as they are.` : '';
    void message.success(`${done.changed.length} accounts have their former value again.${left}`);
  };
  if (!made.data || made.data.length === 0) return null;
  return (
    <section style={{ marginBottom: 12 }}>
      <h3>Made before</h3>
      <Grid
        label="Changes of many accounts"
        bare
        rows={made.data.slice(0, 6)}
        keyOf={(b) => b.id}
        columns={[
          { className: 'nowrap small', cell: (b) => moment(b.madeAt) },
          { cell: (b) => `${b.field} to ${b.value || 'none'} on ${b.accounts} accounts` },
          { className: 'muted small', cell: (b) => b.reason },
          {
            figure: true,
            cell: (b) =>
              b.undoneBy ? (
                <span className="muted small">undone</span>
              ) : (
                <Button size="small" onClick={() => void undo(b.id)}>
                  Undo
                </Button>
              ),
          },
        ]}
      />
    </section>
  );
}
