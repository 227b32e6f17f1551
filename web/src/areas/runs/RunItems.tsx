import { Button } from 'antd';
import type { RunAccountView, RunItemView, RunKind } from '../../api/generated';
import { day } from '../../format/dates';
import { money, moneyOrDash } from '../../format/money';
import { Grid } from '../../table/Grid';

/** The items of an account in a run, and those that are left out, with what may be decided about each. */
export function RunItems({
  kind,
  account,
  onLeaveOut,
  onCut,
  onPutBack,
}: {
  kind: RunKind;
  account: RunAccountView;
  onLeaveOut?: (item: number) => void;
  onCut?: (item: number) => void;
  onPutBack?: (item: number) => void;
}) {
  const letters = kind === 'reminders';
  const rows = [...account.items, ...account.itemsLeftOut];
  const isOut = (i: RunItemView) => i.reason !== '';
  return (
    <Grid
      label="Items"
      rows={rows}
      keyOf={(i, at) => `${i.item} ${at}`}
      rowClass={(i) => (isOut(i) ? 'muted' : undefined)}
      empty="No item is charged or asked for."
      columns={[
        { title: 'Document', className: 'nowrap strong', cell: (i) => i.document },
        { title: 'Due', className: 'nowrap', cell: (i) => day(i.due) },
        letters && {
          title: 'Level',
          cell: (i) => (isOut(i) ? '' : i.moves ? `to ${i.level}` : i.level > 0 ? `stays at ${i.level}` : 'listed'),
        },
        { title: letters ? 'Open' : 'Charge', figure: true, cell: (i) => money(i.amount) },
        letters && { title: 'Late charge', figure: true, cell: (i) => (isOut(i) ? '' : moneyOrDash(i.interest)) },
        account.itemsLeftOut.length > 0 && { title: 'Left out', className: 'small', cell: (i) => i.reason },
        (onLeaveOut || onCut || onPutBack) && {
          hidden: 'Decisions',
          figure: true,
          className: 'nowrap',
          cell: (i) =>
            isOut(i) ? (
              i.reason === 'left out' &&
              onPutBack && (
                <Button
                  size="small"
                  type="text"
                  onClick={() => onPutBack(i.item)}
                  aria-label={`Put ${i.document} back`}
                >
                  Put back
                </Button>
              )
            ) : (
              <>
                {onCut && (
                  <Button size="small" type="text" onClick={() => onCut(i.item)} aria-label={`Cut ${i.document}`}>
                    Cut
                  </Button>
                )}
                {onLeaveOut && (
                  <Button
                    size="small"
                    type="text"
                    onClick={() => onLeaveOut(i.item)}
                    aria-label={`Leave ${i.document} out`}
                  >
                    Leave out
                  </Button>
                )}
              </>
            ),
        },
      ]}
    />
  );
}
