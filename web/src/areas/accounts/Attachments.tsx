import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Alert, App, Button, Form, Input, Modal } from 'antd';
import { useState } from 'react';
import { listAttachments, removeAttachment, type AttachmentView } from '../../api/generated';
import { answer, asProblem, type Problem } from '../../api/problem';
import { FocusedInput } from '../../shell/FocusedInput';
import { ProblemNote } from './ProblemNote';
import { useSend } from './useSend';

const sized = (bytes: number) =>
  bytes < 1024
    ? `${bytes} bytes`
    : bytes < 1_048_576
      ? `${(bytes / 1024).toFixed(0)} KB`
      : `${(bytes / 1_048_576).toFixed(1)} MB`;

/** Files kept with the account. */
export function Attachments({ code }: { code: string }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [removing, setRemoving] = useState<AttachmentView | null>(null);
  const files = useQuery({
    queryKey: ['attachments', code],
    queryFn: () => answer(listAttachments({ path: { code } })),
  });
  const at = `/api/accounts/${encodeURIComponent(code)}/attachments`;
  const keep = async (file: File) => {
    setProblem(null);
    try {
      const response = await fetch(`${at}?${new URLSearchParams({ name: file.name, note }).toString()}`, {
        method: 'POST',
        body: file,
      });
      if (!response.ok) throw (await response.json()) as unknown;
      await client.invalidateQueries();
      setNote('');
      void message.success(`${file.name} is kept.`);
    } catch (e) {
      setProblem(asProblem(e));
    }
  };
  return (
    <div style={{ padding: '4px 6px 14px' }}>
      <div style={{ display: 'flex', gap: 10, alignItems: 'center', flexWrap: 'wrap', marginBottom: 10 }}>
        <Input
          aria-label="What the file is"
          placeholder="What the file is"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          style={{ width: 280 }}
        />
        <input
          type="file"
          aria-label="File to keep"
          accept=".pdf,.png,.jpg,.jpeg,.xlsx,.docx,.csv,.txt"
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) void keep(file);
          }}
        />
        <span className="muted small">PDF, PNG, JPEG, XLSX, DOCX, CSV or text, up to 5 MB</span>
      </div>
      {problem && (
        <Alert type="error" showIcon style={{ marginBottom: 10 }} title={problem.title} description={problem.detail} />
      )}
      <table className="grid" aria-label="Files">
        <tbody>
          {files.data?.map((f) => (
            <tr key={f.id}>
              <td className="strong">
                <a href={`${at}/${f.id}`} download={f.name}>
                  {f.name}
                </a>
              </td>
              <td>{f.note}</td>
              <td className="figure muted">{sized(f.size)}</td>
              <td className="muted small nowrap">
                {f.addedAt.slice(0, 10)}, {f.addedBy}
              </td>
              <td className="figure">
                <Button size="small" type="text" onClick={() => setRemoving(f)}>
                  Take out
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {files.data?.length === 0 && <p className="muted small">No file is kept with this account yet.</p>}
      {removing && <Remove code={code} file={removing} onClose={() => setRemoving(null)} />}
    </div>
  );
}

function Remove({ code, file, onClose }: { code: string; file: AttachmentView; onClose: () => void }) {
  const [form] = Form.useForm<{ reason: string }>();
  const { send, busy, problem } = useSend(form);
  const remove = async ({ reason }: { reason: string }) => {
    if (await send(() => answer(removeAttachment({ path: { code, id: file.id }, body: { reason } })))) onClose();
  };
  return (
    <Modal title={`Take out ${file.name}`} open onCancel={onClose} footer={null} width={480}>
      <ProblemNote problem={problem} />
      <Form form={form} layout="vertical" onFinish={(v) => void remove(v)} initialValues={{ reason: '' }}>
        <Form.Item name="reason" label="Reason" extra="That it was there stays in the log of changes.">
          <FocusedInput autoComplete="off" />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          Take it out
        </Button>
      </Form>
    </Modal>
  );
}
