import { Button, Input, Select } from 'antd';
import type { DiscountShape, InstalmentShape, TermsShape } from '../../api/generated';
import { RuleEditor } from './RuleEditor';

const now = { anchor: 'invoiceDate', months: 0, days: 0 };

/** Instalments and discounts line by line: the other view of the shorthand. */
export function TermsRows({ rows, onChange }: { rows: TermsShape; onChange: (rows: TermsShape) => void }) {
  const instalments = rows.instalments ?? [];
  const discounts = rows.discounts ?? [];
  const change = (part: Partial<TermsShape>) => onChange({ instalments, discounts, ...part });
  const setInstalment = (at: number, row: InstalmentShape) =>
    change({ instalments: instalments.map((r, i) => (i === at ? row : r)) });
  const setDiscount = (at: number, row: DiscountShape) =>
    change({ discounts: discounts.map((r, i) => (i === at ? row : r)) });
  return (
    <>
      <h3>Due</h3>
      {instalments.map((row, i) => {
        const kind = row.percent != null ? 'percent' : row.amount != null ? 'amount' : 'remainder';
        const name = `Instalment ${i + 1}`;
        return (
          <div key={i} className="terms-row">
            <Select
              aria-label={`${name}: share`}
              size="small"
              value={kind}
              options={[
                { value: 'remainder', label: instalments.length === 1 ? 'all' : 'the rest' },
                { value: 'percent', label: 'percent' },
                { value: 'amount', label: 'amount' },
              ]}
              onChange={(share) =>
                setInstalment(i, {
                  due: row.due,
                  percent: share === 'percent' ? '50' : null,
                  amount: share === 'amount' ? '100.00' : null,
                  remainder: share === 'remainder' ? true : null,
                })
              }
              style={{ width: 88 }}
            />
            {kind === 'remainder' ? (
              <span />
            ) : (
              <Input
                aria-label={`${name}: ${kind}`}
                size="small"
                className="figure"
                suffix={kind === 'percent' ? '%' : undefined}
                value={(kind === 'percent' ? row.percent : row.amount) ?? ''}
                onChange={(e) => setInstalment(i, { ...row, [kind]: e.target.value })}
              />
            )}
            <RuleEditor label={name} rule={row.due ?? now} onChange={(due) => setInstalment(i, { ...row, due })} />
            {instalments.length > 1 && (
              <Button
                size="small"
                type="text"
                aria-label={`Take out instalment ${i + 1}`}
                onClick={() => change({ instalments: instalments.filter((_, n) => n !== i) })}
              >
                ×
              </Button>
            )}
          </div>
        );
      })}
      <Button
        size="small"
        onClick={() =>
          change({ instalments: [{ percent: instalments.length === 1 ? '50' : '10', due: now }, ...instalments] })
        }
      >
        Add an instalment
      </Button>
      <h3 style={{ marginTop: 10 }}>Discounts</h3>
      {discounts.map((row, i) => {
        const kind = row.amount != null ? 'amount' : 'percent';
        const name = `Discount ${i + 1}`;
        return (
          <div key={i} className="terms-row">
            <Select
              aria-label={`${name}: kind`}
              size="small"
              value={kind}
              options={[
                { value: 'percent', label: 'percent' },
                { value: 'amount', label: 'amount' },
              ]}
              onChange={(value) =>
                setDiscount(i, {
                  deadline: row.deadline,
                  percent: value === 'percent' ? '2' : null,
                  amount: value === 'amount' ? '20.00' : null,
                })
              }
              style={{ width: 88 }}
            />
            <Input
              aria-label={`${name}: ${kind}`}
              size="small"
              className="figure"
              suffix={kind === 'percent' ? '%' : undefined}
              value={(kind === 'percent' ? row.percent : row.amount) ?? ''}
              onChange={(e) => setDiscount(i, { ...row, [kind]: e.target.value })}
            />
            <RuleEditor
              label={name}
              rule={row.deadline ?? now}
              onChange={(deadline) => setDiscount(i, { ...row, deadline })}
            />
            <Button
              size="small"
              type="text"
              aria-label={`Take out discount ${i + 1}`}
              onClick={() => change({ discounts: discounts.filter((_, n) => n !== i) })}
            >
              ×
            </Button>
          </div>
        );
      })}
      <Button
        size="small"
        onClick={() => change({ discounts: [...discounts, { percent: '2', deadline: { ...now, days: 10 } }] })}
      >
        Add a discount
      </Button>
    </>
  );
}
