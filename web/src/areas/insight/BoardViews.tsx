import { useQuery } from '@tanstack/react-query';
import { App, Button, Checkbox, Dropdown, Form, Modal } from 'antd';
import { useState } from 'react';
import { dropView, keepView as storeView, listViews } from '../../api/generated';
import { answer, asProblem } from '../../api/problem';
import { FocusedInput } from '../../shell/FocusedInput';
import { ProblemNote } from './ProblemNote';
import { useSend } from './useSend';

/** Views of the board that were kept: one's own, and those that others share. */
export function BoardViews({ query, onOpen }: { query: string; onOpen: (query: string) => void }) {
  const views = useQuery({ queryKey: ['views'], queryFn: () => answer(listViews()) });
  const [keeping, setKeeping] = useState(false);
  const { message } = App.useApp();
  const drop = async (id: number) => {
    try {
      await answer(dropView({ path: { id } }));
      await views.refetch();
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
      {keeping && <Keep query={query} onClose={() => setKeeping(false)} onDone={() => void views.refetch()} />}
    </>
  );
}

function Keep({ query, onClose, onDone }: { query: string; onClose: () => void; onDone: () => void }) {
  const [form] = Form.useForm<{ name: string; shared: boolean }>();
  const { send, busy, problem } = useSend(form);
  const save = async (v: { name: string; shared: boolean }) => {
    if (!(await send(() => answer(storeView({ body: { name: v.name, shared: v.shared, query } }))))) return;
    onDone();
    onClose();
  };
  return (
    <Modal open title="Keep what is shown" footer={null} onCancel={onClose} width={400}>
      <Form form={form} layout="vertical" initialValues={{ name: '', shared: false }} onFinish={(v) => void save(v)}>
        <ProblemNote problem={problem} />
        <Form.Item name="name" label="Name of the view">
          <FocusedInput autoComplete="off" />
        </Form.Item>
        <Form.Item name="shared" valuePropName="checked">
          <Checkbox>Others see it too</Checkbox>
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          Keep the view
        </Button>
      </Form>
    </Modal>
  );
}
