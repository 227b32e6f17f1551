import { Button, Form, Segmented, Select } from 'antd';
import type { ReminderLevelShape } from '../../api/generated';
import { LinesField, TextField } from '../../form/fields';
import { plainChoices } from '../../form/options';

const languages = ['en', 'de', 'fr', 'nl', 'es', 'it', 'pl', 'da', 'sv', 'pt'];

/** The letter's texts, one set a language. */
export function LevelTexts({
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
                options={plainChoices(languages.filter((l) => texts.every((t) => t?.language !== l)))}
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
                <TextField name={[text.name, 'subject']} label="Subject" />
                <LinesField name={[text.name, 'opening']} label="Text above the items" rows={3} />
                <LinesField name={[text.name, 'closing']} label="Text below the items" rows={3} />
              </div>
            ))}
        </>
      )}
    </Form.List>
  );
}
