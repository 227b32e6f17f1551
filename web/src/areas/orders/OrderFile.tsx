import { App, Button, Modal, Segmented, Upload } from 'antd';
import { useState } from 'react';
import type { OrderFileResult } from '../../api/generated';
import { asProblem, type Problem } from '../../api/problem';
import { useQueryClient } from '@tanstack/react-query';
import { upload } from '../../api/upload';
import { grouped } from '../../format/money';
import { ProblemNote } from '../accounts/ProblemNote';
import { Answer } from './CheckPanel';

/** Brings orders in from a file: each is checked and shown before anything is stored. */
export function OrderFile({ onClose }: { onClose: () => void }) {
  const [format, setFormat] = useState('csv');
  const [file, setFile] = useState<File | null>(null);
  const [result, setResult] = useState<OrderFileResult | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const { message } = App.useApp();
  const queries = useQueryClient();
  const send = async (of: File, preview: boolean, acceptGood = false) => {
    setProblem(null);
    try {
      const query = new URLSearchParams({ format, preview: String(preview), acceptGood: String(acceptGood) });
      const got = await upload<OrderFileResult>(`/api/orders/file?${query.toString()}`, of);
      setResult(got);
      if (got.stored) {
        void message.success(`${got.approved} approved, ${got.held} held.`);
        await queries.invalidateQueries();
        onClose();
      }
    } catch (e) {
      setResult(null);
      setProblem(asProblem(e));
    }
  };
  return (
    <Modal open title="Bring orders in" footer={null} onCancel={onClose} width={760}>
      <ProblemNote problem={problem} />
      <p className="muted" style={{ marginTop: 0 }}>
        CSV with account, number, date, amount and where known currency, delivery, reference; rows of one number are its
        deliveries. Or one UBL 2.1 order.
      </p>
      <Segmented
        value={format}
        onChange={(v) => {
          setFormat(v);
          setResult(null);
        }}
        options={[
          { value: 'csv', label: 'CSV' },
          { value: 'ubl', label: 'UBL order' },
        ]}
      />{' '}
      <Upload
        accept={format === 'csv' ? '.csv,text/csv' : '.xml,application/xml'}
        showUploadList={false}
        beforeUpload={(chosen) => {
          setFile(chosen);
          void send(chosen, true);
          return false;
        }}
      >
        <Button>Choose the file</Button>
      </Upload>
      {result && file && (
        <>
          <p>
            {file.name}: {result.approved} would be approved, {result.held} held, {result.refused} refused.
          </p>
          <table className="grid">
            <tbody>
              {result.rows.map((r, i) => (
                <tr key={i}>
                  <td>row {r.row}</td>
                  <td className="strong">{r.number}</td>
                  <td>{r.account}</td>
                  <td>
                    {r.check ? <Answer answer={r.check.answer} /> : <span className="answer refuse">refused</span>}
                  </td>
                  <td className="small">
                    {r.problems.map((p) => `${p.field ? `${p.field}: ` : ''}${p.message}`).join(' ')}
                    {r.check?.findings.map((f) => grouped(f.text)).join(' · ')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {result.approved + result.held > 0 && (
            <Button type="primary" style={{ marginTop: 10 }} onClick={() => void send(file, false, true)}>
              {result.refused > 0 ? 'Take the good ones' : 'Take them'}
            </Button>
          )}
        </>
      )}
    </Modal>
  );
}
