import type { AgeingKind } from '../../api/generated';
import { ageingKinds } from '../../words/insight';

/** Which accounts are looked at, and the way back to all. */
export function ScopeChip({ within, onClear }: { within: string; onClear: () => void }) {
  if (!within) return null;
  const [kind, ...value] = within.split(':');
  const name = kind?.startsWith('field.')
    ? kind.slice(6)
    : (ageingKinds[kind as AgeingKind] ?? `${kind?.[0]?.toUpperCase() ?? ''}${kind?.slice(1) ?? ''}`);
  return (
    <div className="chips">
      <button type="button" aria-pressed onClick={onClear} aria-label={`${name} ${value.join(':')}: show all accounts`}>
        {name}: {value.join(':') || 'none'} ✕
      </button>
    </div>
  );
}
