import { Button, Dropdown, Input, Popover, Segmented } from 'antd';
import { DayInput } from '../../form/DayInput';
import dayjs from 'dayjs';
import type { BoardView as BoardAnswer } from '../../api/generated';
import { AgeLegend } from '../../drawings/LimitBar';
import { iso } from '../../format/dates';
import { useMay } from '../../shell/session';
import { download, ExportMenu } from '../../table/ExportMenu';
import { type BoardColumn } from './BoardColumns';
import { BoardFilters } from './BoardFilters';
import { asQuery, type BoardView } from './boardQuery';
import { BoardViews } from './BoardViews';
import { ColumnChoice } from './ColumnChoice';

const filters: [string, string][] = [
  ['over-limit', 'Over limit'],
  ['above-80', 'Above 80 %'],
  ['overdue', 'Overdue'],
  ['overdue-30', '30+ days'],
  ['stop', 'Stop'],
  ['watch', 'Watch'],
  ['uplift', 'Uplift'],
  ['orders', 'Orders'],
  ['held', 'Held'],
  ['will-pass', 'Will pass'],
  ['review-lapsed', 'Review lapsed'],
  ['promise-broken', 'Promise broken'],
  ['disputed', 'Disputed'],
  ['paused', 'Reminders paused'],
  ['handed-over', 'Handed over'],
];

/** What narrows, orders and draws the board, and what can be taken out of it. */
export function BoardTools({
  board,
  view,
  owners,
  columns,
  byMoney,
  byGroup,
  query,
  onChange,
  onOpen,
}: {
  board: BoardAnswer | undefined;
  view: BoardView;
  owners: string[];
  columns: BoardColumn[];
  byMoney: boolean;
  byGroup: boolean;
  /** The view as it stands in the address. */
  query: string;
  onChange: (next: Record<string, string>) => void;
  onOpen: (query: string) => void;
}) {
  const may = useMay();
  const active = view.filter ? view.filter.split(',') : [];
  const exported = (format: string) =>
    `/api/${byGroup ? 'group-export' : 'accounts/export'}?${new URLSearchParams({ ...asQuery(view), format }).toString()}`;
  return (
    <>
      <div className="chips" role="group" aria-label="Quick filters">
        <button type="button" aria-pressed={active.length === 0} onClick={() => onChange({ filter: '' })}>
          All {board?.allAccounts ?? ''}
        </button>
        {filters.map(([key, name]) => (
          <button
            key={key}
            type="button"
            aria-pressed={active.includes(key)}
            onClick={() =>
              onChange({
                filter: (active.includes(key) ? active.filter((f) => f !== key) : [...active, key]).join(','),
              })
            }
          >
            {name} {board?.counts[key] ?? ''}
          </button>
        ))}
      </div>
      <div className="row-between">
        <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap', alignItems: 'center' }}>
          <Input
            allowClear
            aria-label="Name, code or group"
            placeholder="Name, code or group"
            style={{ width: 165 }}
            value={view.q}
            onChange={(e) => onChange({ q: e.target.value })}
          />
          <DayInput
            aria-label="As at"
            placeholder="As at today"
            value={view.asOf ? dayjs(view.asOf) : null}
            onChange={(d) => onChange({ asOf: iso(d) })}
            style={{ width: 130 }}
          />
          <BoardFilters view={view} owners={owners} onChange={onChange} />
          <Segmented
            aria-label="Scale of the bars"
            value={byMoney ? 'money' : 'own'}
            onChange={(v) => onChange({ scale: v === 'money' ? 'money' : '' })}
            options={[
              { value: 'own', label: 'Each to its limit' },
              { value: 'money', label: 'All to money' },
            ]}
          />
          <DayInput
            aria-label="Change since"
            placeholder="Change since"
            value={view.since ? dayjs(view.since) : null}
            onChange={(d) => onChange({ since: iso(d), sort: d ? '-change' : '' })}
            style={{ width: 130 }}
          />
        </div>
        {board && board.total !== board.allAccounts && (
          <span className="muted small">
            {board.total} of {board.allAccounts} accounts
          </span>
        )}
      </div>
      <div className="row-between">
        <AgeLegend buckets={board?.buckets ?? []} />
        <span style={{ display: 'flex', gap: 6, flexWrap: 'wrap' }}>
          <Segmented
            aria-label="Accounts or groups"
            value={byGroup ? 'group' : 'account'}
            onChange={(v) => onChange({ by: v === 'group' ? 'group' : '' })}
            options={[
              { value: 'account', label: 'Accounts' },
              { value: 'group', label: 'Groups' },
            ]}
          />
          <BoardViews query={query} onOpen={onOpen} />
          {!byGroup && (
            <Popover
              trigger="click"
              placement="bottomRight"
              content={<ColumnChoice chosen={columns} onChange={(keys) => onChange({ cols: keys.join(',') })} />}
            >
              <Button>Columns</Button>
            </Popover>
          )}
          <ExportMenu
            items={[
              download('csv', exported('csv'), 'What is shown, as CSV'),
              download('xlsx', exported('xlsx'), 'What is shown, as XLSX'),
              { type: 'divider' },
              ...['csv', 'xlsx', 'json'].map((f) =>
                download(
                  `customers-${f}`,
                  `/api/exchange/customers?format=${f}`,
                  `Customers’ records, as ${f.toUpperCase()}`,
                ),
              ),
            ]}
          />
          <Dropdown
            disabled={!may('controller')}
            trigger={['click']}
            menu={{
              items: [
                { key: 'many', label: 'Change many at once', onClick: () => onChange({ do: 'many' }) },
                { key: 'statements', label: 'Send statements', onClick: () => onChange({ do: 'statements' }) },
                { key: 'in', label: 'Import customers', onClick: () => onChange({ do: 'in' }) },
                {
                  key: 'invoices',
                  label: 'Read electronic invoices',
                  onClick: () => onChange({ do: 'invoices' }),
                },
              ],
            }}
          >
            <Button>Change</Button>
          </Dropdown>
        </span>
      </div>
    </>
  );
}
