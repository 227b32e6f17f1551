import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Alert, Form } from 'antd';
import { Link, useNavigate } from 'react-router-dom';
import { ofAccounts } from '../../api/changes';
import { openAccount, type CompanyView } from '../../api/generated';
import { proposeCodeOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useChoices, useCompany, useTermsPolicies } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { AmountField, ChoiceField, LinesField, SuggestField, TextField } from '../../form/fields';
import { plain, plainChoices } from '../../form/options';
import { usePaused } from '../../form/usePaused';
import { useSend } from '../../form/useSend';

const initial = (company: CompanyView) => ({
  name: '',
  code: '',
  currency: company.defaultCurrency,
  limit: company.defaultLimit,
  terms: company.defaultTerms,
  email: '',
  address: '',
  scheme: 'VAT-GB',
  number: '',
});
type Typed = ReturnType<typeof initial>;

export function NewAccount({ onClose }: { onClose: () => void }) {
  const company = useCompany();
  return company.data ? <NewAccountForm company={company.data} onClose={onClose} /> : null;
}

/** What is needed to trade; everything else comes from the company's defaults and can be changed later. */
function NewAccountForm({ company, onClose }: { company: CompanyView; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccounts);
  const go = useNavigate();
  const choices = useChoices();
  const terms = useTermsPolicies();
  const typed = { ...initial(company), ...(Form.useWatch([], form) as Typed | undefined) };
  const query = usePaused(
    JSON.stringify({ name: typed.name.trim(), email: typed.email.trim(), identifier: typed.number.trim() }),
  );
  const asked = JSON.parse(query) as { name: string; email: string; identifier: string };
  const proposal = useQuery({
    ...proposeCodeOptions({ query: asked }),
    enabled: asked.name.length > 0 || asked.email.length > 3 || asked.identifier.length > 3,
    placeholderData: keepPreviousData,
  });
  const finish = async ({ scheme, number, ...rest }: Typed) => {
    const body = { ...rest, limit: plain(rest.limit), identifiers: number.trim() ? [{ scheme, number }] : [] };
    const made = await sending.send(() => answer(openAccount({ body })));
    if (made) void go(`/accounts/${encodeURIComponent(made.code)}`);
  };
  const similar = proposal.data?.similar ?? [];
  const identifiers = choices.data?.identifiers ?? [];
  return (
    <DialogForm
      title="New account"
      width={560}
      high
      form={form}
      initial={initial(company)}
      action="Open the account"
      sending={sending}
      onSend={(v) => void finish(v)}
      onClose={onClose}
    >
      <TextField name="name" label="Name" />
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
        <TextField name="code" label="Code" placeholder={proposal.data?.code || 'proposed from the name'} />
        <ChoiceField name="currency" label="Currency" search options={plainChoices(choices.data?.currencies)} />
        <AmountField name="limit" label="Limit" />
        <SuggestField
          name="terms"
          label="Terms"
          extra="A code, or shorthand such as 2/10 n/30"
          options={(terms.data ?? []).map((t) => ({ value: t.code }))}
        />
        <ChoiceField
          name="scheme"
          label="Tax identifier"
          options={identifiers.map((i) => ({ value: i.code, label: i.title }))}
        />
        <TextField name="number" label="Number" extra={identifiers.find((i) => i.code === typed.scheme)?.form} />
      </div>
      <TextField name="email" label="E-mail" />
      <LinesField name="address" label="Address" />
    </DialogForm>
  );
}
