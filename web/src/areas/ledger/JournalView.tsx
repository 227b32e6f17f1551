import dayjs from 'dayjs';
import type { CompanyView } from '../../api/generated';
import { useCompany } from '../../api/queries';
import { PeriodInput } from '../../form/PeriodInput';
import { iso } from '../../format/dates';
import { Loaded } from '../../shell/Loaded';
import { useAddress } from '../../shell/useAddress';
import { download, ExportMenu } from '../../table/ExportMenu';
import { Balances } from './Balances';
import { HandOvers } from './HandOvers';
import { JournalLines } from './JournalLines';
import { ofText, textOf } from './postingAccount';

/** The journal of a period: balances of the posting accounts, the lines of one of them, and the hand-over. */
export function JournalView() {
  return (
    <Loaded query={useCompany()} what="the journal" lines={10}>
      {(company) => <Journal company={company} />}
    </Loaded>
  );
}

function Journal({ company }: { company: CompanyView }) {
  const today = company.businessDate;
  const { search, change } = useAddress();
  const from = search.get('from') ?? iso(dayjs(today).startOf('month'));
  const to = search.get('to') ?? today;
  const of = ofText(search.get('of'));
  const query = new URLSearchParams({ from, to, ...of });
  const file = (format: string) => `/api/journal/export?format=${format}&${query.toString()}`;
  return (
    <>
      <div className="row-between" style={{ marginBottom: 10 }}>
        <span className="row-gap">
          <PeriodInput
            aria-label="Period"
            value={[dayjs(from), dayjs(to)]}
            onChange={(next) => {
              change({ from: iso(next[0]), to: iso(next[1]), page: '' });
            }}
          />
          <span className="muted small">by posting date</span>
        </span>
        <ExportMenu
          items={['csv', 'xlsx'].map((f) => download(f, file(f), `Lines of this period, as ${f.toUpperCase()}`))}
        />
      </div>
      <div className="split journal-split">
        <div className="card">
          {of ? (
            <JournalLines
              of={of}
              from={from}
              to={to}
              page={Number(search.get('page') ?? 1)}
              onPage={(page) => change({ page: page > 1 ? String(page) : '' })}
              onBack={() => change({ of: '', page: '' })}
            />
          ) : (
            <Balances
              from={from}
              to={to}
              company={company}
              onOpen={(account) => change({ of: textOf(account), page: '' })}
            />
          )}
        </div>
        <HandOvers />
      </div>
    </>
  );
}
