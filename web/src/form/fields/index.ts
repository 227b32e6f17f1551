export { AmountField } from './AmountField';
export { CheckField } from './CheckField';
export { ChoiceField, type Choice } from './ChoiceField';
export { DayField } from './DayField';
export { LinesField } from './LinesField';
export { NumberField } from './NumberField';
export { SuggestField } from './SuggestField';
export { TextField } from './TextField';
