import { Alert, App, Button, Form } from 'antd';
import { DayInput } from '../../form/DayInput';
import dayjs from 'dayjs';
import { useState } from 'react';
import { ofAccount } from '../../api/changes';
import { raiseLateCharge, type AccountPage } from '../../api/generated';
import { answer } from '../../api/problem';
import { Dialog } from '../../form/Dialog';
import { ProblemNote } from '../../form/ProblemNote';
import { useFocusWhen } from '../../form/useFocusWhen';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { useSend } from '../../form/useSend';
import { iso } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { EffectPanel } from '../ledger';
import { ChargeLines } from './ChargeLines';

/** The late charge accrued through a day, item by item, raised as one document. */
export function RaiseCharge({ page, today, onClose }: { page: AccountPage; today: string; onClose: () => void }) {
  const { code, name } = page.account;
  const [form] = Form.useForm();
  const { send, busy, problem } = useSend(form, ofAccount(code));
  const { message } = App.useApp();
  const once = useKey();
  const [through, setThrough] = useState(today);
  const [leaveOut, setLeaveOut] = useState<number[]>([]);
  const ask = (body: { through: string; leaveOut?: number[] }) => () =>
    answer(raiseLateCharge({ path: { code }, query: { preview: true }, body }));
  const all = usePreview(JSON.stringify({ through }), ask({ through }));
  const body = { through, leaveOut };
  const chosen = usePreview(JSON.stringify(body), ask(body));
  const { effect } = chosen;
  const go = useFocusWhen(!!effect);
  const post = async () => {
    const done = await send(() => answer(raiseLateCharge({ path: { code }, body, headers: once })));
    if (!done) return;
    void message.success(`${done.number ?? 'The charge'} is raised. It can be reversed from the ledger.`);
    onClose();
  };
  return (
    <Dialog title={`Late charge for ${name}`} width={860} high onClose={onClose}>
      <ProblemNote problem={problem} />
      <Form form={form} layout="vertical" onFinish={() => void post()}>
        <Form.Item label="Charge through" htmlFor="through">
          <DayInput
            id="through"
            allowClear={false}
            maxDate={dayjs(today)}
            value={dayjs(through)}
            onChange={(d) => setThrough(iso(d))}
          />
        </Form.Item>
        {all.problem && <Alert type="info" showIcon title={all.problem.detail} />}
        {all.effect && (
          <ChargeLines
            lines={all.effect.charges}
            leaveOut={leaveOut}
            onChoose={(id, take) => setLeaveOut((l) => (take ? l.filter((i) => i !== id) : [...l, id]))}
          />
        )}
        {chosen.problem && !all.problem && <Alert type="info" showIcon title={chosen.problem.detail} />}
        {effect && <EffectPanel effect={effect} />}
        <div className="row-between" style={{ marginTop: 12 }}>
          <span className="muted small">
            {effect
              ? `One document of ${money(effect.total)}` +
                (effect.tax && !isZero(effect.tax) ? `, tax of ${money(effect.tax)} included,` : '') +
                ' is raised. Items left out accrue on.'
              : ''}
          </span>
          <Button ref={go} type="primary" htmlType="submit" loading={busy} disabled={!effect || !chosen.settled}>
            Raise the charge
          </Button>
        </div>
      </Form>
    </Dialog>
  );
}
