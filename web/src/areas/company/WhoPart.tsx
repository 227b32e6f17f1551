import { Form, InputNumber } from 'antd';
import type { CompanyView } from '../../api/generated';
import { useChoices } from '../../api/queries';
import { ChoiceField, DayField, LinesField, TextField } from '../../form/fields';
import { choices, plainChoices } from '../../form/options';
import { mailSecurities } from '../../words/messages';
import { useMay } from '../../shell/session';
import { roundingNames } from '../../words/policies';
import { LetterheadPart } from './LetterheadPart';

/** Who the company is, and which day it is there. */
export function WhoPart({ company }: { company: CompanyView }) {
  const known = useChoices();
  const may = useMay();
  return (
    <div className="settings">
      <section className="card pad">
        <h2>Company</h2>
        <TextField name="name" label="Name" />
        <LinesField name="address" label="Address at the head of letters" rows={3} />
        <LinesField name="letterFoot" label="Foot of letters: where to pay, whom to call" />
        <LetterheadPart company={company} disabled={!may('manager')} />
      </section>
      <section className="card pad">
        <h2>Currency and rounding</h2>
        <ChoiceField
          name="baseCurrency"
          label="Base currency"
          search
          disabled={company.baseCurrencyFixed}
          extra={company.baseCurrencyFixed ? 'Fixed, since something was posted' : 'It is fixed with the first posting'}
          options={plainChoices(known.data?.currencies)}
        />
        <ChoiceField name="rounding" label="Half a minor unit is rounded" options={choices(roundingNames)} />
      </section>
      <section className="card pad">
        <h2>Dates</h2>
        <ChoiceField
          name="timeZone"
          label="Time zone"
          search
          extra={
            company.businessDatePinned
              ? 'The business date is pinned; it is moved from the top bar'
              : 'The business date is the calendar day there'
          }
          options={plainChoices(known.data?.timeZones)}
        />
        <DayField
          name="closedThrough"
          label="Books closed through"
          extra="Nothing is posted on or before this day"
          placeholder="none"
        />
      </section>
      <section className="card pad">
        <h2>E-mail</h2>
        <TextField name={['mail', 'senderAddress']} label="Sender address" placeholder="accounts@…" />
        <TextField name={['mail', 'senderName']} label="Sender name" placeholder={company.name} />
        <div className="ties">
          <TextField
            name={['mail', 'host']}
            label="Mail server"
            placeholder={company.isDemo ? 'the simulated one' : 'none'}
          />
          <Form.Item name={['mail', 'port']} label="Port">
            <InputNumber min={1} max={65535} style={{ width: '100%' }} />
          </Form.Item>
          <ChoiceField name={['mail', 'security']} label="Encryption" options={choices(mailSecurities)} />
          <TextField
            name={['mail', 'user']}
            label="User name"
            placeholder="nobody"
            extra="The password is given with KITELINE_MAIL_HOST and KITELINE_MAIL_PASSWORD at the start"
          />
        </div>
      </section>
    </div>
  );
}
