import type { CheckAnswer } from '../../api/generated';
import { checkAnswers } from '../../words/checks';

/** The answer to "may this go?", in words and colour. */
export const CheckAnswerBadge = ({ answer }: { answer: CheckAnswer }) => (
  <span className={`answer ${answer}`}>{checkAnswers[answer]}</span>
);
