import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Dropdown } from 'antd';
import { useState } from 'react';
import { ofViews, readAgain } from '../../api/changes';
import { dropView } from '../../api/generated';
import { listViewsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer, asProblem } from '../../api/problem';
import { lazyDialog } from '../../shell/lazily';

const KeepView = lazyDialog(() => import('./KeepView').then((m) => m.KeepView));

/** Views of the board that were kept: one's own, and those that others share. */
export function BoardViews({ query, onOpen }: { query: string; onOpen: (query: string) => void }) {
  const views = useQuery(listViewsOptions());
  const [keeping, setKeeping] = useState(false);
  const client = useQueryClient();
  const { message } = App.useApp();
  const drop = async (id: number) => {
    try {
      await answer(dropView({ path: { id } }));
      await readAgain(client, ofViews);
    } catch (e) {
      void message.error(asProblem(e).detail);
    }
  };
  const list = views.data ?? [];
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            ...list.map((v) => ({
              key: String(v.id),
              label: (
                <span className="row-between" style={{ gap: 12 }}>
                  {v.name}
                  {v.mine ? (
                    <button
                      type="button"
                      className="linkish small"
                      aria-label={`Drop ${v.name}`}
                      onClick={(e) => {
                        e.stopPropagation();
                        void drop(v.id);
                      }}
                    >
                      drop
                    </button>
                  ) : (
                    <span className="muted small">{v.madeBy}</span>
                  )}
                </span>
              ),
              onClick: () => onOpen(v.query),
            })),
            ...(list.length > 0 ? [{ type: 'divider' as const }] : []),
            { key: 'keep', label: 'Keep what is shown', onClick: () => setKeeping(true) },
          ],
        }}
      >
        <Button>Views</Button>
      </Dropdown>
      {keeping && <KeepView query={query} onClose={() => setKeeping(false)} />}
    </>
  );
}
