import { useQuery } from '@tanstack/react-query';
import { Alert, AutoComplete, Button, Form, Input, Modal, Select } from 'antd';
import { Link, useNavigate } from 'react-router-dom';
import { openAccount, proposeCode } from '../../api/generated';
import { answer } from '../../api/problem';
import { useChoices, useCompany, useTermsPolicies } from '../../api/queries';
import { ProblemNote } from './ProblemNote';
import { useSend } from './useSend';
import { FocusedInput } from '../../shell/FocusedInput';

interface Typed {
  name: string;
  code: string;
  currency: string;
  limit: string;
  terms: string;
  email: string;
  address: string;
  scheme: string;
  number: string;
}

/** What is needed to trade; everything else comes from the company's defaults and can be changed later. */
export function NewAccount({ onClose }: { onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const { send, busy, problem } = useSend(form);
  const go = useNavigate();
  const company = useCompany();
  const choices = useChoices();
  const terms = useTermsPolicies();
  const typed = Form.useWatch([], form) as Partial<Typed> | undefined;
  const name = typed?.name?.trim() ?? '';
  const query = { name, email: typed?.email?.trim() ?? '', identifier: typed?.number?.trim() ?? '' };
  const proposal = useQuery({
    queryKey: ['proposed-code', query],
    queryFn: () => answer(proposeCode({ query })),
    enabled: name.length > 0 || query.email.length > 3 || query.identifier.length > 3,
    placeholderData: (d) => d,
  });
  if (!company.data) return null;
  const finish = async ({ scheme, number, ...rest }: Typed) => {
    const body = { ...rest, identifiers: number.trim() ? [{ scheme, number }] : [] };
    const made = await send(() => answer(openAccount({ body })));
    if (made) void go(`/accounts/${encodeURIComponent(made.code)}`);
  };
  const similar = proposal.data?.similar ?? [];
  const chosen = choices.data?.identifiers.find((i) => i.code === (typed?.scheme ?? 'VAT-GB'));
  return (
    <Modal title="New account" open onCancel={onClose} footer={null} width={560} style={{ top: 50 }}>
      <ProblemNote problem={problem} />
      <Form
        form={form}
        layout="vertical"
        onFinish={(v) => void finish(v)}
        initialValues={{
          name: '',
          code: '',
          currency: company.data.defaultCurrency,
          limit: company.data.defaultLimit,
          terms: company.data.defaultTerms,
          email: '',
          address: '',
          scheme: 'VAT-GB',
          number: '',
        }}
      >
        <Form.Item name="name" label="Name">
          <FocusedInput autoComplete="off" />
        </Form.Item>
        {similar.length > 0 && (
          <Alert
            type="warning"
            showIcon
            style={{ marginBottom: 12 }}
            title={
              <>
                There may be an account already:{' '}
                {similar.map((s, i) => (
                  <span key={s.code}>
                    {i > 0 && '; '}
                    <Link to={`/accounts/${encodeURIComponent(s.code)}`}>
                      {s.name} ({s.code})
                    </Link>{' '}
                    has {s.why}
                  </span>
                ))}
                .
              </>
            }
          />
        )}
        <div className="ties">
          <Form.Item name="code" label="Code">
            <Input placeholder={proposal.data?.code || 'proposed from the name'} autoComplete="off" />
          </Form.Item>
          <Form.Item name="currency" label="Currency">
            <Select showSearch options={(choices.data?.currencies ?? []).map((c) => ({ value: c, label: c }))} />
          </Form.Item>
          <Form.Item name="limit" label="Limit">
            <Input inputMode="decimal" className="figure" />
          </Form.Item>
          <Form.Item name="terms" label="Terms" extra="A code, or shorthand such as 2/10 n/30">
            <AutoComplete options={(terms.data ?? []).map((t) => ({ value: t.code }))} />
          </Form.Item>
          <Form.Item name="scheme" label="Tax identifier">
            <Select options={(choices.data?.identifiers ?? []).map((i) => ({ value: i.code, label: i.title }))} />
          </Form.Item>
          <Form.Item name="number" label="Number" extra={chosen?.form}>
            <Input autoComplete="off" />
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
