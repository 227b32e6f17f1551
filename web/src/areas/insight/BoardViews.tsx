import { useQuery } from '@tanstack/react-query';
import { Button, Dropdown } from 'antd';
import { useState } from 'react';
import { ofViews } from '../../api/changes';
import { dropView } from '../../api/generated';
import { listViewsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useAct } from '../../form/useAct';
import { lazyDialog } from '../../shell/lazily';

const KeepView = lazyDialog(() => import('./KeepView').then((m) => m.KeepView));

/** Views of the board that were kept: one's own, and those that others share. */
export function BoardViews({ query, onOpen }: { query: string; onOpen: (query: string) => void }) {
  const views = useQuery(listViewsOptions());
  const [keeping, setKeeping] = useState(false);
  const act = useAct(ofViews);
  const drop = (id: number) => act(() => answer(dropView({ path: { id } })));
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
