import type { ReactNode } from 'react';
import type { AccountRow } from '../../api/generated';
import { day, shortDay } from '../../format/dates';
import { isNegative, isZero, money, moneyOrDash, signed, size } from '../../format/money';
import { promiseStates } from '../../words/promises';
import { sourceNames } from '../../words/limits';

export interface BoardColumn {
  key: string;
  name: string;
  /** What the interface sorts by; empty where it cannot. */
  sort: string;
  figure?: boolean;
  /** Width in the grid. */
  width: string;
  cell: (row: AccountRow, base: string | undefined) => ReactNode;
}

const amount = (value: (row: AccountRow) => string | null) => (row: AccountRow) => {
  const v = value(row);
  return v === null || isZero(v) ? '—' : money(v);
};

/** What can stand beside name, state and limit bar. */
export const extraColumns: BoardColumn[] = [
  {
    key: 'exposure',
    name: 'Exposure',
    sort: 'exposure',
    figure: true,
    width: '110px',
    cell: (row, base) => (
      <>
        {money(row.exposure)}
        {row.currency !== base && <div className="muted small">{row.currency}</div>}
      </>
    ),
  },
  {
    key: 'limit',
    name: 'Limit',
    sort: 'limit',
    figure: true,
    width: '120px',
    cell: (row) => (
      <>
        {money(row.limit)}
        {!isZero(row.uplift) && (
          <div className="muted small">
            +{money(row.uplift)} to {row.upliftUntil ? shortDay(row.upliftUntil) : ''}
          </div>
        )}
      </>
    ),
  },
  {
    key: 'headroom',
    name: 'Headroom',
    sort: 'headroom',
    figure: true,
    width: '135px',
    cell: (row) => (
      <span className={`strong${isNegative(row.headroom) ? ' alarm' : ''}`}>
        {isNegative(row.headroom) ? `Over by ${size(row.headroom)}` : money(row.headroom)}
      </span>
    ),
  },
  {
    key: 'overdue',
    name: 'Overdue',
    sort: 'overdue',
    figure: true,
    width: '105px',
    cell: (row) => (
      <>
        {isNegative(row.overdue) ? '—' : moneyOrDash(row.overdue)}
        {row.oldestDays > 0 && (
          <div className="muted small">
            {row.oldestDays} {row.oldestDays === 1 ? 'day' : 'days'}
          </div>
        )}
      </>
    ),
  },
  { key: 'orders', name: 'Orders', sort: 'orders', figure: true, width: '100px', cell: amount((r) => r.orders) },
  { key: 'held', name: 'Held orders', sort: '', figure: true, width: '100px', cell: amount((r) => r.held) },
  { key: 'uncleared', name: 'Not cleared', sort: '', figure: true, width: '100px', cell: amount((r) => r.uncleared) },
  { key: 'disputed', name: 'Disputed', sort: '', figure: true, width: '100px', cell: amount((r) => r.disputed) },
  { key: 'insured', name: 'Insured', sort: '', figure: true, width: '100px', cell: amount((r) => r.insured) },
  { key: 'source', name: 'Source', sort: '', width: '120px', cell: (row) => sourceNames[row.source] },
  {
    key: 'review',
    name: 'Review by',
    sort: 'review',
    width: '110px',
    cell: (row) => <span className={row.reviewLapsed ? 'alarm' : ''}>{row.reviewOn ? day(row.reviewOn) : '—'}</span>,
  },
  {
    key: 'promise',
    name: 'Promise',
    sort: '',
    width: '100px',
    cell: (row) => (row.promise ? promiseStates[row.promise] : '—'),
  },
  {
    key: 'passesOn',
    name: 'Passes limit',
    sort: 'passesOn',
    width: '110px',
    cell: (row) => (row.passesOn ? day(row.passesOn) : '—'),
  },
  { key: 'owner', name: 'Owner', sort: 'owner', width: '110px', cell: (row) => row.owner || '—' },
  {
    key: 'change',
    name: 'Change',
    sort: 'change',
    figure: true,
    width: '110px',
    cell: (row) => signed(row.change),
  },
];

export const usualColumns = ['exposure', 'limit', 'headroom', 'overdue'];

/** The columns that a view names, with the change where a day is chosen to compare with. */
export function chosenColumns(cols: string | null, since: string | undefined) {
  const keys = cols ? cols.split(',') : usualColumns;
  return extraColumns.filter((c) => keys.includes(c.key) || (c.key === 'change' && since));
}
