import { Button, Checkbox, Form, Input, InputNumber, Segmented, Select } from 'antd';
import type { ReminderLevelShape } from '../../api/generated';
import { OtherCurrencies } from './OtherCurrencies';
import { Rows } from './Rows';

const bases = [
  { value: '', label: 'none' },
  { value: 'perLetter', label: 'a sum a letter' },
  { value: 'perItem', label: 'a sum an item' },
  { value: 'percent', label: 'a percentage of what is overdue' },
  { value: 'byBand', label: 'by what is overdue' },
];

const treatments = [
  { value: 'post', label: 'posted and asked for' },
  { value: 'show', label: 'asked for, not posted' },
];

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
  return (
    <div>
      <div className="ties">
        <Form.Item name={[at, 'daysAfterDue']} label="Days after the due date">
          <InputNumber min={1} style={{ width: '100%' }} />
        </Form.Item>
        <Form.Item name={[at, 'daysSincePrevious']} label="Least days since the letter before">
          <InputNumber min={0} style={{ width: '100%' }} />
        </Form.Item>
        <Form.Item name={[at, 'daysToPay']} label="Days to pay">
          <InputNumber min={1} style={{ width: '100%' }} />
        </Form.Item>
        <Form.Item name={[at, 'leastOverdue']} label="Least overdue amount">
          <Input className="figure" />
        </Form.Item>
        <Form.Item name={[at, 'fee', 'basis']} label="Fee">
          <Select options={bases} />
        </Form.Item>
        {basis === 'percent' ? (
          <Form.Item name={[at, 'fee', 'rate']} label="Percentage">
            <Input className="figure" suffix="%" />
          </Form.Item>
        ) : (
          <Form.Item name={[at, 'fee', 'amount']} label="Sum" hidden={basis !== 'perLetter' && basis !== 'perItem'}>
            <Input className="figure" />
          </Form.Item>
        )}
      </div>
      {basis === 'byBand' && (
        <Rows
          prefix={[at, 'fee']}
          name="bands"
          title="Fee by what is overdue"
          add="Add a band"
          columns={[
            { name: 'from', label: 'From an amount overdue of', prefix: 'from' },
            { name: 'amount', label: 'Fee' },
          ]}
        />
      )}
      {(basis === 'percent' || basis === 'byBand') && (
        <Form.Item name={[at, 'feeOnCharges']} valuePropName="checked" style={{ marginBottom: 0 }}>
          <Checkbox>Measured on fees and late charges too, not on invoices alone</Checkbox>
        </Form.Item>
      )}
      <Form.Item name={[at, 'addEarlierFees']} valuePropName="checked">
        <Checkbox>Fees that earlier letters asked for and did not post stay beside this one</Checkbox>
      </Form.Item>
      <div className="ties">
        {(basis !== '' || level.addEarlierFees) && (
          <>
            {basis !== '' && (
              <Form.Item name={[at, 'feeTreatment']} label="The fee is">
                <Select options={treatments} />
              </Form.Item>
            )}
            <Form.Item name={[at, 'mostFee']} label="at most">
              <Input className="figure" placeholder="no bound" />
            </Form.Item>
          </>
        )}
        <Form.Item name={[at, 'lateCharge']} label="The late charge to date is">
          <Select options={[...treatments, { value: 'none', label: 'left out' }]} />
        </Form.Item>
        <Form.Item name={[at, 'delivery']} label="The letter goes out by">
          <Select
            options={[
              { value: '', label: 'what each customer prefers' },
              { value: 'print', label: 'print' },
              { value: 'email', label: 'e-mail' },
            ]}
          />
        </Form.Item>
        <Form.Item name={[at, 'setsState']} label="It sets the account to">
          <Select
            options={[
              { value: '', label: 'nothing' },
              { value: 'watch', label: 'watch' },
              { value: 'stop', label: 'stop' },
            ]}
          />
        </Form.Item>
        <Form.Item name={[at, 'askColleague']} label="Ask before going on">
          <Input placeholder="nobody" autoComplete="off" />
        </Form.Item>
      </div>
      <OtherCurrencies
        prefix={[at]}
        name={['inOtherCurrencies']}
        amounts={[
          { name: ['leastOverdue'], label: 'Least overdue amount' },
          ...(basis === 'perLetter' || basis === 'perItem' ? [{ name: ['fee', 'amount'], label: 'Fee' }] : []),
          ...(level.mostFee ? [{ name: ['mostFee'], label: 'at most' }] : []),
        ]}
      />
      <Form.Item name={[at, 'handToCollection']} valuePropName="checked">
        <Checkbox>Hand the account to collection after it</Checkbox>
      </Form.Item>
      <LevelTexts at={at} level={level} language={language} onLanguage={onLanguage} />
    </div>
  );
}

/** The letter's texts, one set a language. */
function LevelTexts({
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
  const texts = level.texts ?? [];
  const found = texts.findIndex((t) => (t?.language ?? '') === language);
  const shown = found < 0 ? 0 : found;
  return (
    <Form.List name={[at, 'texts']}>
      {(list, { add, remove }) => (
        <>
          <div className="row-between" style={{ marginBottom: 8 }}>
            <Segmented
              value={shown}
              aria-label="Language of the letter"
              options={list.map((_, i) => ({ value: i, label: texts[i]?.language || 'any language' }))}
              onChange={(i) => onLanguage(texts[i]?.language ?? '')}
            />
            <span>
              <Select
                size="small"
                value={null}
                placeholder="Add a language"
                aria-label="Add a language"
                style={{ width: 140 }}
                options={['en', 'de', 'fr', 'nl', 'es', 'it', 'pl', 'da', 'sv', 'pt']
                  .filter((l) => texts.every((t) => t?.language !== l))
                  .map((l) => ({ value: l, label: l }))}
                onChange={(l: string) => {
                  add({ ...texts[0], language: l });
                  onLanguage(l);
                }}
              />{' '}
              <Button
                size="small"
                disabled={shown === 0}
                onClick={() => {
                  remove(shown);
                  onLanguage('');
                }}
              >
                Remove it
              </Button>
            </span>
          </div>
          {list
            .filter((_, i) => i === shown)
            .map((text) => (
              <div key={text.key}>
                <Form.Item name={[text.name, 'subject']} label="Subject">
                  <Input />
                </Form.Item>
                <Form.Item name={[text.name, 'opening']} label="Text above the items">
                  <Input.TextArea rows={3} />
                </Form.Item>
                <Form.Item name={[text.name, 'closing']} label="Text below the items">
                  <Input.TextArea rows={3} />
                </Form.Item>
              </div>
            ))}
        </>
      )}
    </Form.List>
  );
}
