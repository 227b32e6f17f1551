import { useQuery } from '@tanstack/react-query';
import { Drawer } from 'antd';
import { Link } from 'react-router-dom';
import type { ReplayedLineView } from '../../api/generated';
import { getReplayedAccountOptions } from '../../api/generated/@tanstack/react-query.gen';
import { day } from '../../format/dates';
import { money } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { replayKinds } from '../../words/insight';

const shownOf = (l: ReplayedLineView, amount: string | null) =>
  // A letter without a fee is a letter all the same.
  amount === null ? '—' : l.kind === 'reminderFee' && Number(amount) === 0 ? 'no fee' : money(amount);

/** What happened on one account beside what would have, line by line. */
export function ReplayedAccount({ id, code, onClose }: { id: number; code: string; onClose: () => void }) {
  const query = useQuery(getReplayedAccountOptions({ path: { id, code } }));
  return (
    <Drawer
      open
      size={860}
      title={<Link to={`/accounts/${encodeURIComponent(code)}`}>{query.data?.name ?? code}</Link>}
      onClose={onClose}
    >
      <Loaded query={query} what="the account" lines={8}>
        {(a) => (
          <>
            <Grid
              label="What happened and what would have"
              rows={a.lines}
              keyOf={(_, i) => i}
              empty="Nothing happened on this account in the period, and nothing would have."
              rowClass={(l) => (l.differs ? undefined : 'muted')}
              columns={[
                { title: 'Day', className: 'nowrap', cell: (l) => day(l.day) },
                { title: 'What', className: 'nowrap', cell: (l) => replayKinds[l.kind] },
                { title: 'Of', className: 'nowrap', cell: (l) => l.about },
                { title: 'Happened', figure: true, cell: (l) => shownOf(l, l.happened) },
                { title: 'Would have', figure: true, className: 'strong', cell: (l) => shownOf(l, l.would) },
                {
                  title: 'Why',
                  className: 'small',
                  cell: (l) =>
                    [
                      l.why,
                      l.byHand && 'Decided by hand, and kept.',
                      l.byOwnRules !== null && `Its own rules give ${money(l.byOwnRules)}: look at this one.`,
                    ]
                      .filter(Boolean)
                      .join(' '),
                },
              ]}
            />
            <p className="muted small">
              In {a.currency}; those that differ come first.
              {a.total > a.lines.length && ` Of ${a.total} lines the first ${a.lines.length} are shown.`}
            </p>
          </>
        )}
      </Loaded>
    </Drawer>
  );
}
