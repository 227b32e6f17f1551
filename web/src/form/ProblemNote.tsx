import { Alert } from 'antd';
import type { Problem } from '../api/problem';
import { grouped } from '../format/money';

/** What is wrong with a form as a whole. */
export const ProblemNote = ({ problem }: { problem: Problem | null }) =>
  problem && (
    <Alert
      type="error"
      showIcon
      style={{ marginBottom: 12 }}
      title={problem.title}
      description={grouped(problem.detail)}
    />
  );
