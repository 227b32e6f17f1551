import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { CompanyView, JournalBalancesView, JournalBalanceView } from '../../api/generated';
import { listJournalBalancesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { money, moneyOrDash } from '../../format/money';
import { Loaded } from '../../shell/Loaded';
import { useListKeys } from '../../table/useListKeys';
import { purposeNames } from '../../words/ledger';
import type { PostingAccount } from './postingAccount';

interface Props {
  from: string;
  to: string;
  company: CompanyView;
  onOpen: (account: PostingAccount) => void;
}

/** Opening, debits, credits and closing of every posting account, and what of it is the result. */
export function Balances({ from, to, company, onOpen }: Props) {
  const query = useQuery({
    ...listJournalBalancesOptions({ query: { from, to } }),
    placeholderData: keepPreviousData,
  });
  return (
    <Loaded query={query} what="the balances" lines={12}>
      {(balances) =>
        balances.items.length === 0 ? (
          <p className="pad muted">Nothing was posted up to this day.</p>
        ) : (
          <Table balances={balances} company={company} onOpen={onOpen} />
        )
      }
    </Loaded>
  );
}

function Table({ balances, company, onOpen }: Pick<Props, 'company' | 'onOpen'> & { balances: JournalBalancesView }) {
  // One currency after the other; what the company has and owes first, then what is its result.
  const { baseCurrency, paymentMethods, controlGroups } = company;
  const sums = [...balances.sums].sort(
    (a, b) => Number(b.currency === baseCurrency) - Number(a.currency === baseCurrency),
  );
  const parts = sums.map((sum) => {
    const of = balances.items.filter((b) => b.currency === sum.currency);
    return { sum, standing: of.filter((b) => !b.onResult), result: of.filter((b) => b.onResult) };
  });
  // What else is known of the account: the method by which money comes in on it, the customers who stand on it.
  const nameOf = ({ account, purpose }: JournalBalanceView) =>
    purpose === 'bank'
      ? paymentMethods.find((m) => (m.account || company.postingAccounts.bank) === account)?.name
      : purpose === 'receivables'
        ? controlGroups.find((g) => g.account === account)?.name
        : undefined;
  const rows = parts.flatMap((p) => [...p.standing, ...p.result]);
  const { at, setAt } = useListKeys(rows.length, (row) => ({
    Enter: () => {
      const balance = rows[row];
      if (balance) onOpen(balance);
    },
  }));
  const line = (b: JournalBalanceView) => (
    <tr
      key={`${b.account} ${b.purpose}`}
      className={rows.indexOf(b) === at ? 'on' : undefined}
      onClick={() => setAt(rows.indexOf(b))}
    >
      <td className="nowrap">{b.account}</td>
      <td>
        <button type="button" className="linkish" onClick={() => onOpen(b)}>
          {purposeNames[b.purpose]}
        </button>{' '}
        <span className="muted small">{nameOf(b)}</span>
      </td>
      <td className="figure">{moneyOrDash(b.opening)}</td>
      <td className="figure">{moneyOrDash(b.debits)}</td>
      <td className="figure">{moneyOrDash(b.credits)}</td>
      <td className="figure strong">{moneyOrDash(b.closing)}</td>
      <td className="figure">{b.onResult ? moneyOrDash(b.effect) : ''}</td>
    </tr>
  );
  return (
    <table className="grid" aria-label="Balances">
      <thead>
        <tr>
          <th scope="col" colSpan={2}>
            Posting account
          </th>
          {['Opening', 'Debits', 'Credits', 'Closing', 'On the result'].map((title) => (
            <th key={title} scope="col" className="figure">
              {title}
            </th>
          ))}
        </tr>
      </thead>
      {parts.map(({ sum, standing, result }) => (
        <tbody key={sum.currency}>
          {standing.map(line)}
          {result.map(line)}
          <tr className="sum" data-testid={`journal-${sum.currency}`}>
            <td colSpan={2}>All in {sum.currency}</td>
            <td className="figure">{moneyOrDash(sum.opening)}</td>
            <td className="figure">{moneyOrDash(sum.debits)}</td>
            <td className="figure">{moneyOrDash(sum.credits)}</td>
            <td className="figure">{moneyOrDash(sum.closing)}</td>
            <td className="figure">{money(sum.result)}</td>
          </tr>
        </tbody>
      ))}
    </table>
  );
}
