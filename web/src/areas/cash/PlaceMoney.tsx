import { useQueryClient } from '@tanstack/react-query';
import { Alert, App, Button, Input } from 'antd';
import { useState, type ReactNode } from 'react';
import { readAgain, type Change } from '../../api/changes';
import type { EffectView, PlaceEntryRequest, PlacingView } from '../../api/generated';
import { asProblem, type Problem } from '../../api/problem';
import { useKey } from '../../form/useKey';
import { usePreview } from '../../form/usePreview';
import { isZero } from '../../format/money';
import { useKeys } from '../../shell/keys';
import { EffectPanel } from '../ledger';
import { AccountPick } from '../../form/AccountPick';
import { chosenOf, granted, isDecided, paymentItems, proposed, toggled, type Chosen } from './paymentItems';
import { OpenItems } from './OpenItems';
import { PaidLetter } from './PaidLetter';
import { PlacedItems } from './PlacedItems';
import { sumOf } from './lines';
import { Sure } from './Sure';

/**
 * Places money that came in on an account: as it is proposed, or with items and decisions of one's own. What will be posted
 * is shown with its journal and the account before and after.
 */
export function PlaceMoney({
  placing,
  currency,
  hasBankAccount,
  post,
  change,
  onAccount,
  onDone,
  children,
}: {
  placing: PlacingView;
  currency: string;
  /** Whether the payer's bank account is told, so that it can be learned. */
  hasBankAccount: boolean;
  post: (body: PlaceEntryRequest, preview: boolean, headers?: { 'Idempotency-Key': string }) => Promise<EffectView>;
  change: Change;
  onAccount: (code: string) => void;
  onDone: () => void;
  /** Further things that can be done with it. */
  children?: ReactNode;
}) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [reason, setReason] = useState('');
  const [keptFor, setKeptFor] = useState('');
  const [choosing, setChoosing] = useState(false);
  const [picking, setPicking] = useState<'shown' | 'asked' | null>(placing.account === null ? 'shown' : null);
  const [posting, setPosting] = useState(false);
  const [failed, setFailed] = useState<Problem | null>(null);
  const client = useQueryClient();
  const { message } = App.useApp();
  const once = useKey();
  const code = placing.account;
  // The decision belongs to the account and the items that it was made on.
  const money = JSON.stringify([code, chosen && Object.keys(chosen)]);
  const keepOver = keptFor === money;
  const same = chosen !== null && sameItems(Object.keys(chosen).map(Number), placing.proposed);
  const body: PlaceEntryRequest = {
    account: code,
    items: chosen ? paymentItems(chosen) : null,
    reason,
    // Merely the oldest stay filled while a decision is taken on one of them.
    filled: same && placing.rule === 'oldest',
    keepOver,
  };
  const { effect, problem, settled } = usePreview(code ? JSON.stringify(body) : null, () => post(body, true));
  const lines = effect?.payment ?? [];
  const credits = effect?.credits ?? [];
  const decided = chosen ?? chosenOf(placing.proposed, {});
  const decide = (id: number, part: Partial<Chosen[number]>) =>
    setChosen({ ...decided, [id]: { ...(decided[id] ?? { discount: proposed }), ...part } });
  // Whether a decision takes a reason is said by the answer. Its field is there with the decision, so that a hand that goes on
  // typing types the reason and no keys; what was typed is never taken away.
  const needsReason = problem?.errors.reason !== undefined || reason !== '' || (chosen !== null && isDecided(chosen));
  const short = lines.find((l) => !isZero(l.staysOpen));
  const late = lines.find((l) =>
    l.findings.some(
      (f) => f.code === 'discount-unearned' || f.code === 'discount-not-taken' || f.code === 'discount-partly-taken',
    ),
  );

  const go = async () => {
    if (!effect || !settled || posting) return;
    setPosting(true);
    setFailed(null);
    try {
      const done = await post(body, false, once);
      void message.success(`${done.number ?? 'The receipt'} is posted on ${placing.accountName}.`);
      await readAgain(client, change);
      onDone();
    } catch (e) {
      setFailed(asProblem(e));
    } finally {
      setPosting(false);
    }
  };
  useKeys({
    Enter: () => void go(),
    i: () => setChoosing((c) => !c),
    o: () => setPicking('asked'),
    ...(late ? { a: () => decide(late.itemId, { discount: stepOf(placing, late.itemId) }) } : {}),
    ...(short
      ? { x: () => decide(short.itemId, { writeOff: true }), d: () => decide(short.itemId, { dispute: true }) }
      : {}),
  });

  return (
    <>
      {picking ? (
        <div style={{ margin: '8px 0' }}>
          <AccountPick
            key={picking}
            currency={currency}
            focus={picking === 'asked'}
            onPick={(picked) => {
              setPicking(null);
              setChosen(null);
              onAccount(picked);
            }}
          />
        </div>
      ) : null}
      {code && (
        <div className="placing-why">
          <Sure confidence={chosen && !same ? 0.5 : placing.confidence} />
          <span>{chosen && !same ? 'Items as you chose them' : sentence(placing.ruleWhy)}.</span>
        </div>
      )}
      {code && choosing && (
        <OpenItems
          items={placing.items}
          chosen={decided}
          onToggle={(id) => setChosen(chosenOf(Object.keys(toggled(decided, id)).map(Number), {}))}
        />
      )}
      {code && (
        <PlacedItems
          lines={lines}
          credits={credits}
          items={placing.items}
          onAllow={(id) => decide(id, { discount: stepOf(placing, id) })}
          onWriteOff={(id, whole) => decide(id, { writeOff: whole, dispute: undefined })}
          onDispute={(id) => decide(id, { dispute: true, writeOff: undefined })}
          decided={decided}
        />
      )}
      {effect && <PaidLetter lines={lines} kept={keepOver} onKeep={(keep) => setKeptFor(keep ? money : '')} />}
      {needsReason && (
        <Input
          aria-label="Reason"
          autoFocus
          placeholder="The reason, in a few words"
          value={reason}
          maxLength={500}
          status={problem?.errors.reason ? 'error' : undefined}
          style={{ margin: '8px 0' }}
          onChange={(e) => setReason(e.target.value)}
          onPressEnter={() => void go()}
        />
      )}
      {(problem ?? failed) && (
        <Alert style={{ margin: '8px 0' }} type="error" showIcon title={(failed ?? problem)?.detail} />
      )}
      {effect && (
        <div className="placing-effect">
          <EffectPanel effect={effect} />
        </div>
      )}
      <div className="actions in-hand-actions">
        {code && (
          <Button type="primary" disabled={!effect || !settled} loading={posting} onClick={() => void go()}>
            Post and next <kbd>Enter</kbd>
          </Button>
        )}
        {code && (
          <Button onClick={() => setChoosing((c) => !c)}>
            {choosing ? 'Hide the items' : 'Other items'} <kbd>I</kbd>
          </Button>
        )}
        <Button onClick={() => setPicking('asked')}>
          {code ? 'Other account' : 'Choose the account'} <kbd>O</kbd>
        </Button>
        {children}
      </div>
      <div className="row-between small muted in-hand-foot">
        <span>
          {code && hasBankAccount && !placing.why.includes('bank account')
            ? 'Posting it learns the payer’s bank account as this customer’s.'
            : ''}
        </span>
        {effect?.total && (
          <span>
            {sumOf(
              effect.total,
              lines.filter((l) => !isZero(l.cash)).map((l) => l.cash),
              credits.map((c) => c.amount),
              effect.onAccount && !isZero(effect.onAccount) ? effect.onAccount : '',
            )}
          </span>
        )}
      </div>
    </>
  );
}

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

const sameItems = (a: number[], b: number[]) => a.length === b.length && a.every((id) => b.includes(id));

/** The discount that is in force; else the one that ended last: the server takes the very one the shortfall speaks of. */
const stepOf = (placing: PlacingView, id: number) => {
  const discounts = placing.items.find((i) => i.id === id)?.discounts ?? [];
  return discounts.some((d) => d.inForce) ? granted : (discounts.at(-1)?.deadline ?? granted);
};
