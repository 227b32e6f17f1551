import { App, Form } from 'antd';
import { ofMessages } from '../../api/changes';
import { sendMessage, type Delivery, type SendRequest } from '../../api/generated';
import { answer } from '../../api/problem';
import { DialogForm } from '../../form/DialogForm';
import { ChoiceField, TextField } from '../../form/fields';
import { choices } from '../../form/options';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { deliveries } from '../../words/people';

interface Typed {
  delivery: Delivery | '';
  recipients: string;
}

/** A document, a receipt or a reminder put into the outbox, shown as it will go out. */
export function SendDocument({
  what,
  title,
  account,
  onClose,
}: {
  what: Pick<SendRequest, 'document' | 'receipt' | 'reminder' | 'statement'>;
  title: string;
  account: string;
  onClose: () => void;
}) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofMessages(account));
  const { message } = App.useApp();
  const once = useKey();
  const initial: Typed = { delivery: '', recipients: '' };
  const typed = { ...initial, ...(Form.useWatch([], form) as Partial<Typed> | undefined) };
  const body: SendRequest = {
    ...what,
    delivery: typed.delivery === '' ? undefined : typed.delivery,
    recipients: typed.recipients.trim() === '' ? undefined : typed.recipients,
  };
  const { effect, problem, settled } = usePreview(JSON.stringify(body), () =>
    answer(sendMessage({ query: { preview: true }, body })),
  );
  const send = async () => {
    const done = await sending.send(() => answer(sendMessage({ body, headers: once })));
    if (!done) return;
    void message.success(
      done.delivery === 'email' ? `${title} goes to ${done.recipients}.` : `${title} waits to be printed.`,
    );
    onClose();
  };
  return (
    <DialogForm
      title={`Send ${title}`}
      width={600}
      form={form}
      initial={initial}
      action="Put into the outbox"
      disabled={!effect || !settled}
      beside={
        effect === null
          ? ''
          : effect.delivery === 'print'
            ? 'It is printed with the others in the outbox.'
            : 'This is what goes out.'
      }
      sending={sending}
      onSend={() => void send()}
      onClose={onClose}
    >
      <div className="ties">
        <ChoiceField
          name="delivery"
          label="By"
          options={[{ value: '', label: 'as the customer wants it' }, ...choices(deliveries)]}
        />
        <TextField
          name="recipients"
          label="E-mail, if to another address"
          placeholder={effect?.delivery === 'email' ? effect.recipients : ''}
          wrong={problem}
        />
      </div>
      {effect?.delivery === 'email' && (
        <div className="message-text">
          <b>{effect.subject}</b>
          <p className="muted small">To {effect.recipients}</p>
          <p>{effect.body}</p>
        </div>
      )}
    </DialogForm>
  );
}
