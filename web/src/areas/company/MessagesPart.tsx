import { useQuery } from '@tanstack/react-query';
import { Button, Form } from 'antd';
import { listMessageFieldsOptions } from '../../api/generated/@tanstack/react-query.gen';
import { ChoiceField, LinesField, TextField } from '../../form/fields';
import { choices } from '../../form/options';
import { purposes } from '../../words/messages';

/** What the company writes in its e-mails, by purpose and language. */
export function MessagesPart() {
  const fields = useQuery({ ...listMessageFieldsOptions(), staleTime: Infinity });
  return (
    <div className="settings two">
      <section className="card pad wide">
        <h2>Texts of e-mails</h2>
        <p className="muted small">
          By purpose and by the customer’s language; what is not written here goes out in the usual words. Fields:{' '}
          {fields.data?.map((f) => (
            <span key={f.name} title={f.meaning}>
              <code>{`{{ ${f.name} }}`}</code>{' '}
            </span>
          ))}
        </p>
        <Form.List name="messageTexts">
          {(list, { add, remove }) => (
            <>
              {list.map((text) => (
                <div key={text.key} className="message-template">
                  <div className="ties">
                    <ChoiceField name={[text.name, 'purpose']} label="With" options={choices(purposes)} />
                    <TextField
                      name={[text.name, 'language']}
                      label="Language"
                      placeholder="every other one"
                      maxLength={2}
                    />
                  </div>
                  <TextField name={[text.name, 'subject']} label="Subject" />
                  <LinesField name={[text.name, 'body']} label="Text" rows={5} />
                  <Button onClick={() => remove(text.name)}>Take this text out</Button>
                </div>
              ))}
              <Button
                disabled={list.length >= 60}
                onClick={() => add({ purpose: 'invoice', language: '', subject: '', body: '' })}
              >
                Add a text
              </Button>
            </>
          )}
        </Form.List>
      </section>
    </div>
  );
}
