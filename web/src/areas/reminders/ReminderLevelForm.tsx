import type { ReminderLevelShape } from '../../api/generated';
import { AmountField, CheckField, ChoiceField, NumberField, TextField } from '../../form/fields';
import { choices } from '../../form/options';
import { OtherCurrencies } from '../../form/OtherCurrencies';
import { Rows } from '../../form/Rows';
import { deliveries } from '../../words/people';
import { treatments } from '../../words/policies';
import { LevelTexts } from './LevelTexts';
import { feeBases } from './reminderForm';

const { none: leftOut, ...asked } = treatments;

/** One level of a plan: when, what it costs, what follows from it, and its letter in each language. */
export function ReminderLevelForm({
  at,
  level,
  language,
  onLanguage,
}: {
  at: number;
  level: ReminderLevelShape;
  language: string;
  onLanguage: (language: string) => void;
}) {
  const basis = level.fee?.basis ?? '';
  const bySum = basis === 'perLetter' || basis === 'perItem';
  return (
    <div>
      <div className="ties">
        <NumberField name={[at, 'daysAfterDue']} label="Days after the due date" min={1} max={3650} />
        <NumberField name={[at, 'daysSincePrevious']} label="Minimum days since the last letter" min={0} max={3650} />
        <NumberField name={[at, 'daysToPay']} label="Days to pay" min={1} max={3650} />
        <AmountField name={[at, 'leastOverdue']} label="Minimum overdue amount" />
        <ChoiceField name={[at, 'fee', 'basis']} label="Fee" options={choices(feeBases)} />
        {basis === 'percent' && <AmountField name={[at, 'fee', 'rate']} label="Percentage" suffix="%" />}
        {bySum && <AmountField name={[at, 'fee', 'amount']} label="Amount" />}
      </div>
      {basis === 'byBand' && (
        <Rows
          prefix={[at, 'fee']}
          name="bands"
          title="Fee by overdue amount"
          add="Add a band"
          columns={[
            { name: 'from', label: 'From an amount overdue of', prefix: 'from' },
            { name: 'amount', label: 'Fee' },
          ]}
        />
      )}
      {(basis === 'percent' || basis === 'byBand') && (
        <CheckField name={[at, 'feeOnCharges']} tight>
          Measured on fees and late charges too, not on invoices alone
        </CheckField>
      )}
      <CheckField name={[at, 'addEarlierFees']}>
        Fees that earlier letters asked for and did not post stay beside this one
      </CheckField>
      <div className="ties">
        {basis !== '' && <ChoiceField name={[at, 'feeTreatment']} label="The fee is" options={choices(asked)} />}
        {(basis !== '' || level.addEarlierFees) && (
          <AmountField name={[at, 'mostFee']} label="Maximum fee" placeholder="none" />
        )}
        <ChoiceField
          name={[at, 'lateCharge']}
          label="The late charge to date is"
          options={choices({ ...asked, none: leftOut })}
        />
        <ChoiceField
          name={[at, 'delivery']}
          label="The letter goes out by"
          options={[{ value: '', label: 'what each customer prefers' }, ...choices(deliveries)]}
        />
        <ChoiceField
          name={[at, 'setsState']}
          label="It sets the account to"
          options={[{ value: '', label: 'nothing' }, ...choices({ watch: 'watch', stop: 'stop' })]}
        />
        <TextField name={[at, 'askColleague']} label="Ask before going on" placeholder="nobody" />
      </div>
      <OtherCurrencies
        prefix={[at]}
        name={['inOtherCurrencies']}
        amounts={[
          { name: ['leastOverdue'], label: 'Minimum overdue amount' },
          ...(bySum ? [{ name: ['fee', 'amount'], label: 'Fee' }] : []),
          ...(level.mostFee ? [{ name: ['mostFee'], label: 'Maximum fee' }] : []),
        ]}
      />
      <CheckField name={[at, 'handToCollection']}>Hand the account to collection after it</CheckField>
      <LevelTexts at={at} level={level} language={language} onLanguage={onLanguage} />
    </div>
  );
}
