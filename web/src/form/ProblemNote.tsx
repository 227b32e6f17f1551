import { Alert } from 'antd';
import type { Problem } from '../../api/problem';
import { grouped } from '../../format/money';

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
