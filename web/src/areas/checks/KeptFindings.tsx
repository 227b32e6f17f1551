import type { KeptFindingView } from '../../api/generated';
import { grouped } from '../../format/money';

/** What stood against an order when it was checked. */
export const KeptFindings = ({ findings }: { findings: KeptFindingView[] }) => (
  <span className="small">
    {findings.map((f, i) => (
      <span key={i} className={f.response === 'refuse' ? 'alarm' : 'muted'}>
        {i > 0 ? ' · ' : ''}
        {grouped(f.text)}
      </span>
    ))}
  </span>
);
