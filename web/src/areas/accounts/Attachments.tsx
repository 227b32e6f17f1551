import { useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Input } from 'antd';
import { useState } from 'react';
import { ofAccount, readAgain } from '../../api/changes';
import { removeAttachment, type AttachmentView } from '../../api/generated';
import { listAttachmentsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer, asProblem, type Problem } from '../../api/problem';
import { upload } from '../../api/upload';
import { FilePick } from '../../form/FilePick';
import { ProblemNote } from '../../form/ProblemNote';
import { ReasonDialog } from '../../form/ReasonDialog';
import { Loaded } from '../../shell/Loaded';
import { useMay } from '../../shell/session';
import { Grid } from '../../table/Grid';
import { fileSize } from './fileSize';

/** Files kept with the account. */
export function Attachments({ code }: { code: string }) {
  const client = useQueryClient();
  const { message } = App.useApp();
  const may = useMay();
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [removing, setRemoving] = useState<AttachmentView | null>(null);
  const files = useQuery(listAttachmentsOptions({ path: { code } }));
  const at = `/api/accounts/${encodeURIComponent(code)}/attachments`;
  const keep = async (file: File) => {
    setProblem(null);
    try {
      await upload(`${at}?${new URLSearchParams({ name: file.name, note }).toString()}`, file);
      await readAgain(client, ofAccount(code));
      setNote('');
      void message.success(`${file.name} is kept.`);
    } catch (e) {
      setProblem(asProblem(e));
    }
  };
  return (
    <div className="tab-part">
      {may('controller') && (
        <div style={{ display: 'flex', gap: 10, alignItems: 'center', flexWrap: 'wrap', marginBottom: 10 }}>
          <Input
            aria-label="What the file is"
            placeholder="What the file is"
            value={note}
            maxLength={200}
            onChange={(e) => setNote(e.target.value)}
            style={{ width: 280 }}
          />
          <FilePick
            label="File to keep"
            accept=".pdf,.png,.jpg,.jpeg,.xlsx,.docx,.csv,.txt"
            onPick={(file) => void keep(file)}
          >
            Choose a file
          </FilePick>
          <span className="muted small">PDF, PNG, JPEG, XLSX, DOCX, CSV or text, up to 5 MB</span>
        </div>
      )}
      <ProblemNote problem={problem} />
      <Loaded query={files} what="the files" lines={3}>
        {(rows) => (
          <Grid
            label="Files"
            rows={rows}
            keyOf={(f) => f.id}
            empty="No file is kept with this account yet."
            columns={[
              {
                title: 'File',
                className: 'strong',
                cell: (f) => (
                  <a href={`${at}/${f.id}`} download={f.name}>
                    {f.name}
                  </a>
                ),
              },
              { title: 'What it is', cell: (f) => f.note },
              { title: 'Size', figure: true, cell: (f) => fileSize(f.size) },
              {
                title: 'Kept',
                className: 'muted small nowrap',
                cell: (f) => `${f.addedAt.slice(0, 10)}, ${f.addedBy}`,
              },
              may('controller') && {
                hidden: 'Actions',
                figure: true,
                cell: (f) => (
                  <Button size="small" type="text" onClick={() => setRemoving(f)}>
                    Remove
                  </Button>
                ),
              },
            ]}
          />
        )}
      </Loaded>
      {removing && (
        <ReasonDialog
          title={`Remove ${removing.name}`}
          action="Remove it"
          extra="That it was there stays in the log of changes."
          change={ofAccount(code)}
          act={(reason) => answer(removeAttachment({ path: { code, id: removing.id }, body: { reason } }))}
          onClose={() => setRemoving(null)}
        />
      )}
    </div>
  );
}
