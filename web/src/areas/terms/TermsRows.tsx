import { Button } from 'antd';
import type { DiscountShape, InstalmentShape, TermsShape } from '../../api/generated';
import { ShareInput } from '../../form/ShareInput';
import { RuleEditor } from './RuleEditor';
import { afterInvoice } from './termsForm';

const now = afterInvoice(0);
const without = <T,>(rows: T[], at: number) => rows.filter((_, i) => i !== at);
const replaced = <T,>(rows: T[], at: number, row: T) => rows.map((r, i) => (i === at ? row : r));

/** Instalments and discounts line by line: the other view of the shorthand. */
export function TermsRows({ rows, onChange }: { rows: TermsShape; onChange: (rows: TermsShape) => void }) {
  const instalments = rows.instalments ?? [];
  const discounts = rows.discounts ?? [];
  const setInstalments = (next: InstalmentShape[]) => onChange({ instalments: next, discounts });
  const setDiscounts = (next: DiscountShape[]) => onChange({ instalments, discounts: next });
  return (
    <>
      <h3>Due</h3>
      {instalments.map((row, i) => {
        const name = `Instalment ${i + 1}`;
        const set = (next: InstalmentShape) => setInstalments(replaced(instalments, i, next));
        return (
          <div key={i} className="terms-row">
            <ShareInput
              name={name}
              title="share"
              share={row}
              usual={{ percent: '50', amount: '100.00' }}
              remainder={instalments.length === 1 ? 'all' : 'the rest'}
              onChange={(share) => set({ due: row.due, ...share })}
            />
            <RuleEditor label={name} rule={row.due ?? now} onChange={(due) => set({ ...row, due })} />
            {instalments.length > 1 && (
              <Out name={`instalment ${i + 1}`} onClick={() => setInstalments(without(instalments, i))} />
            )}
          </div>
        );
      })}
      <Button
        size="small"
        onClick={() => setInstalments([{ percent: instalments.length === 1 ? '50' : '10', due: now }, ...instalments])}
      >
        Add an instalment
      </Button>
      <h3 style={{ marginTop: 10 }}>Discounts</h3>
      {discounts.map((row, i) => {
        const name = `Discount ${i + 1}`;
        const set = (next: DiscountShape) => setDiscounts(replaced(discounts, i, next));
        return (
          <div key={i} className="terms-row">
            <ShareInput
              name={name}
              title="kind"
              share={row}
              usual={{ percent: '2', amount: '20.00' }}
              onChange={({ percent, amount }) => set({ deadline: row.deadline, percent, amount })}
            />
            <RuleEditor label={name} rule={row.deadline ?? now} onChange={(deadline) => set({ ...row, deadline })} />
            <Out name={`discount ${i + 1}`} onClick={() => setDiscounts(without(discounts, i))} />
          </div>
        );
      })}
      <Button size="small" onClick={() => setDiscounts([...discounts, { percent: '2', deadline: afterInvoice(10) }])}>
        Add a discount
      </Button>
    </>
  );
}

const Out = ({ name, onClick }: { name: string; onClick: () => void }) => (
  <Button size="small" type="text" aria-label={`Remove ${name}`} onClick={onClick}>
    ×
  </Button>
);
