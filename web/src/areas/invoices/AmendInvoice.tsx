import { useQuery } from '@tanstack/react-query';
import { Alert, App, Form } from 'antd';
import dayjs, { type Dayjs } from 'dayjs';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { amendInvoice, type PostedDocumentView } from '../../api/generated';
import { getDocumentOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useTermsPolicies } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { DayField, SuggestField, TextField } from '../../form/fields';
import type { Share } from '../../form/ShareInput';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { day, iso } from '../../format/dates';
import { EffectPanel } from '../ledger';
import { DocumentFigures } from './DocumentFigures';
import { asDiscount } from './documentForm';
import { OneOff } from './OneOff';

interface Typed {
  date: Dayjs;
  terms: string;
  reason: string;
}

interface Props {
  code: string;
  currency: string;
  today: string;
  onClose: () => void;
}

/** Other due dates or another discount on a posted invoice, from a day on; number, lines and amounts stay. */
export function AmendInvoice({ id, ...given }: Props & { id: number }) {
  const { data } = useQuery(getDocumentOptions({ path: { id } }));
  return data ? <Amend document={data} {...given} /> : null;
}

function Amend({ document, code, currency, today, onClose }: Props & { document: PostedDocumentView }) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const once = useKey();
  const known = useTermsPolicies();
  const [oneOff, setOneOff] = useState<{ share: Share | null; days: number | null }>({ share: null, days: 7 });
  const initial: Typed = { date: dayjs(today), terms: document.terms, reason: '' };
  const typed = { ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) };
  const body = {
    date: iso(typed.date),
    terms: typed.terms.trim() === '' || typed.terms.trim() === document.terms ? undefined : typed.terms,
    discount: asDiscount(oneOff.share, oneOff.days),
    reason: typed.reason,
  };
  const path = { id: document.id };
  const changed = body.terms !== undefined || body.discount !== undefined;
  const { effect, problem, settled } = usePreview(changed ? JSON.stringify(body) : null, () =>
    answer(
      amendInvoice({
        path,
        query: { preview: true },
        // The reason is typed last; what it comes to does not wait for it.
        body: body.reason.trim() === '' ? { ...body, reason: 'preview' } : body,
      }),
    ),
  );
  const post = async () => {
    if (!(await sending.send(() => answer(amendInvoice({ path, body, headers: once }))))) return;
    void message.success(`${document.number} is amended. It can be reversed from the ledger.`);
    onClose();
  };
  const told = problem && ['date', 'terms', 'reason'].some((field) => problem.errors[field]);
  return (
    <DialogForm
      title={`Amend ${document.number}`}
      width={900}
      form={form}
      initial={initial}
      action="Post the amendment"
      disabled={!effect || !settled}
      beside={
        effect
          ? `This holds from ${day(body.date)} on; the invoice is printed again as amended.`
          : 'What it comes to shows while you type. Nothing is posted before you have seen the effect.'
      }
      sending={sending}
      onSend={() => void post()}
      onClose={onClose}
      above={
        <p className="muted" style={{ marginTop: 0 }}>
          Invoice of {day(document.date)}
          {document.amendedOn ? `, amended on ${day(document.amendedOn)}` : ''}. Its lines and its total stay as they
          are.
        </p>
      }
    >
      <div className="amend-fields">
        <SuggestField
          name="terms"
          label="Terms of this invoice"
          options={(known.data ?? []).map((t) => ({ value: t.code }))}
          wrong={problem}
        />
        <DayField name="date" label="Holds from" wrong={problem} />
        <TextField name="reason" label="Reason" wrong={problem} />
      </div>
      <OneOff {...oneOff} onChange={(share, days) => setOneOff({ share, days })} />
      {problem && !told && <Alert style={{ marginTop: 10 }} type="error" showIcon title={problem.detail} />}
      {effect?.document && (
        <div style={{ marginTop: 12 }}>
          <DocumentFigures document={effect.document} currency={currency} />
        </div>
      )}
      {effect && <EffectPanel effect={effect} />}
    </DialogForm>
  );
}
