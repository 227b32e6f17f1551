export { CheckPanel } from './CheckPanel';
export { CheckAnswerBadge } from './CheckAnswerBadge';
export { KeptFindings } from './KeptFindings';
export { Responses } from './Responses';
