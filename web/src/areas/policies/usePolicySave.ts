import { App, type FormInstance } from 'antd';
import { ofPolicies } from '../../api/changes';
import { useSend } from '../../form/useSend';
import type { Entry } from './PolicyList';

/** Stores a policy: a new one, or the next version of the one that was read. */
export function usePolicySave<V extends Entry>(
  form: FormInstance,
  policy: V | undefined,
  onSaved: (code: string) => void,
  store: (version: { path: { code: string }; headers: { 'If-Match': string } } | null) => Promise<V>,
) {
  const { send, busy, problem, clear } = useSend(form, ofPolicies);
  const { message } = App.useApp();
  const save = async () => {
    const saved = await send(() =>
      store(policy ? { path: { code: policy.code }, headers: { 'If-Match': `"${policy.version}"` } } : null),
    );
    if (!saved) return;
    void message.success(`Version ${saved.version} of ${saved.code} is stored.`);
    onSaved(saved.code);
  };
  return { save, busy, problem, clear };
}
