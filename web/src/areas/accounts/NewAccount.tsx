import { useQuery } from '@tanstack/react-query';
import { AutoComplete, Button, Form, Input, Modal, Select } from 'antd';
import { useNavigate } from 'react-router-dom';
import { openAccount, proposeCode } from '../../api/generated';
import { answer } from '../../api/problem';
import { useCompany, useTermsPolicies } from '../../api/queries';
import { ProblemNote } from './ProblemNote';
import { useSend } from './useSend';
import { FocusedInput } from '../../shell/FocusedInput';

/** What is needed to trade; everything else comes from the company's defaults and can be changed later. */
export function NewAccount({ onClose }: { onClose: () => void }) {
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form);
  const go = useNavigate();
  const company = useCompany();
  const terms = useTermsPolicies();
  const name = (Form.useWatch('name', form) as string | undefined)?.trim() ?? '';
  const proposal = useQuery({
    queryKey: ['proposed-code', name],
    queryFn: () => answer(proposeCode({ query: { name } })),
    enabled: name.length > 0,
    placeholderData: (d) => d,
  });
  if (!company.data) return null;
  const finish = async (body: Record<string, string>) => {
    const made = await send(() => answer(openAccount({ body })));
    if (made) void go(`/accounts/${encodeURIComponent(made.code)}`);
  };
  return (
    <Modal title="New account" open onCancel={onClose} footer={null} width={520}>
      <ProblemNote problem={problem} />
      <Form
        form={form}
        layout="vertical"
        onFinish={(v) => void finish(v as Record<string, string>)}
        initialValues={{
          name: '',
          code: '',
          currency: company.data.baseCurrency,
          limit: company.data.defaultLimit,
          terms: company.data.defaultTerms,
          email: '',
          address: '',
        }}
      >
        <Form.Item
          name="name"
          label="Name"
          extra={
            proposal.data && proposal.data.similar.length > 0 && name.length > 2
              ? `Looks like ${proposal.data.similar.join(', ')}`
              : undefined
          }
        >
          <FocusedInput autoComplete="off" />
        </Form.Item>
        <div className="ties">
          <Form.Item name="code" label="Code">
            <Input placeholder={proposal.data?.code || 'proposed from the name'} autoComplete="off" />
          </Form.Item>
          <Form.Item name="currency" label="Currency">
            <Select showSearch options={company.data.currencies.map((c) => ({ value: c, label: c }))} />
          </Form.Item>
          <Form.Item name="limit" label="Limit">
            <Input inputMode="decimal" className="figure" />
          </Form.Item>
          <Form.Item name="terms" label="Terms" extra="A code, or shorthand such as 2/10 n/30">
            <AutoComplete options={(terms.data ?? []).map((t) => ({ value: t.code }))} />
          </Form.Item>
        </div>
        <Form.Item name="email" label="E-mail">
          <Input autoComplete="off" />
        </Form.Item>
        <Form.Item name="address" label="Address">
          <Input.TextArea rows={2} />
        </Form.Item>
        <Button type="primary" htmlType="submit" loading={busy}>
          Open the account
        </Button>
      </Form>
    </Modal>
  );
}
