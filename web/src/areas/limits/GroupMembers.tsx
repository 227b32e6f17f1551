import { Link } from 'react-router-dom';
import type { GroupMember, GroupRow } from '../../api/generated';
import { LimitBar } from '../../drawings/LimitBar';
import { money } from '../../format/money';
import { Grid } from '../../table/Grid';

/** The accounts of a group, each against its own limit, and its part of the group's exposure. */
export const GroupMembers = ({ group: g, members }: { group: GroupRow; members: GroupMember[] }) => (
  <div className="card pad" style={{ margin: '10px 0' }}>
    <Grid
      label="Accounts of the group"
      rows={members}
      keyOf={({ position }) => position.code}
      columns={[
        {
          title: 'Account',
          cell: ({ position: p }) => (
            <>
              <Link to={`/accounts/${encodeURIComponent(p.code)}`}>{p.name}</Link>
              <div className="muted small">
                {p.code}
                {p.group !== g.name ? ` · ${p.group}` : ''}
              </div>
            </>
          ),
        },
        { title: 'Against its own limit', width: '36%', cell: ({ position }) => <LimitBar row={position} /> },
        {
          title: 'Exposure',
          figure: true,
          cell: ({ position: p }) => (
            <>
              {money(p.exposure)} <span className="muted small">{p.currency}</span>
            </>
          ),
        },
        { title: `In ${g.currency}`, figure: true, cell: ({ exposure }) => (exposure ? money(exposure) : 'no rate') },
        { title: 'Overdue', figure: true, cell: ({ position }) => money(position.overdue) },
      ]}
    />
    {g.accounts > members.length && (
      <p className="muted small">
        The {members.length} accounts with the largest exposure, of {g.accounts}.{' '}
        <Link to={`/accounts?group=${encodeURIComponent(g.name)}`}>See all on the board</Link>
      </p>
    )}
  </div>
);
