import { useQuery } from '@tanstack/react-query';
import { App, Form } from 'antd';
import { ofAccounts } from '../../api/changes';
import { changeGroup, type GroupRow } from '../../api/generated';
import { listGroupsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { answer } from '../../api/problem';
import { useChoices } from '../../api/queries';
import { DialogForm } from '../../form/DialogForm';
import { ChoiceField, TextField } from '../../form/fields';
import { plainChoices } from '../../form/options';
import { useSend } from '../../form/useSend';

interface Typed {
  currency: string;
  parent: string;
  reason: string;
}

/** The currency of a group's limit, and the group it is part of. */
export function ChangeGroup({ group, onClose }: { group: GroupRow; onClose: () => void }) {
  const [form] = Form.useForm<Typed>();
  const sending = useSend(form, ofAccounts);
  const { message } = App.useApp();
  const choices = useChoices();
  const groups = useQuery(listGroupsOptions());
  const save = async (body: Typed) => {
    const headers = { 'If-Match': `"${group.version}"` };
    if (!(await sending.send(() => answer(changeGroup({ path: { name: group.name }, headers, body }))))) return;
    void message.success('The group is changed.');
    onClose();
  };
  return (
    <DialogForm
      title={group.name}
      form={form}
      initial={{ currency: group.currency, parent: group.parent, reason: '' }}
      action="Save"
      sending={sending}
      onSend={(v) => void save(v)}
      onClose={onClose}
    >
      <ChoiceField
        name="currency"
        label="Currency of its limit"
        search
        options={plainChoices(choices.data?.currencies)}
      />
      <ChoiceField
        name="parent"
        label="Part of"
        search
        options={[{ value: '', label: 'no other group' }, ...plainChoices((groups.data ?? []).map((x) => x.name))]}
      />
      <TextField name="reason" label="Reason" />
    </DialogForm>
  );
}
